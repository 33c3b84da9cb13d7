package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.check.Checks;
import imperan.check.FindingKind;
import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.PhonePage;
import imperan.layout.arranging.Arranger;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Readout;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A page that is laid out anew for a phone. */
class PhonePagesTest extends FourFaders {

    private static final PartId PHONE = new PartId("phone");

    private Outcome toPhone(PartId page, int across) {
        return Arranger.carryOut(show, new PhonePage(page, PHONE, across), ADA);
    }

    private static List<Control> controls(Show show, PartId page) {
        return show.children(page).map(part -> (Control) part.body()).toList();
    }

    @ParameterizedTest
    @CsvSource({"1, 8", "2, 4"})
    void fadersLieBelowOneAnotherOrTwoAcross(int across, int wide) {
        Show after = ((Outcome.Accepted) toPhone(PAGE, across)).show();
        Page page = (Page) after.part(PHONE).orElseThrow().body();
        assertThat(page.screen()).isEqualTo(Page.Screen.of(Page.Screen.Kind.PHONE));
        assertThat(controls(after, PHONE)).hasSize(4).allSatisfy(control -> {
            assertThat(((Fader) control.form()).direction()).isEqualTo(Form.Direction.RIGHT);
            assertThat(control.cells().width()).isEqualTo(wide);
        });
        assertThat(controls(after, PHONE))
                .extracting(Control::sends)
                .containsExactlyElementsOf(
                        controls(show, PAGE).stream().map(Control::sends).toList());
        assertThat(new Checks(after).all())
                .noneMatch(finding -> finding.kind() == FindingKind.TOO_SMALL
                        && finding.cause().equals(PHONE));
    }

    @Test
    void aKeyBeneathItsFaderComesToLieAtItsRightAndAReadoutOfTheNameGoesOntoTheFader() {
        Control name = Control.plain(
                "",
                new Cells(0, 0, 2, 1),
                new Readout(),
                List.of(),
                List.of(Listen.value(Optional.of(DESK), "/in/1/name", 0, 0, 1)));
        Control fader = Control.plain(
                "level 1",
                new Cells(0, 1, 2, 5),
                Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE),
                List.of(),
                List.of());
        Control mute = Control.plain(
                "mute 1", new Cells(0, 6, 2, 2), Button.plain(Button.Action.LATCHING), List.of(), List.of());
        PartId page = page(name, fader, mute);
        List<Control> laid = controls(((Outcome.Accepted) toPhone(page, 1)).show(), PHONE);
        assertThat(laid).extracting(Control::label).containsExactly("level 1", "mute 1");
        assertThat(laid).extracting(Control::cells).containsExactly(new Cells(0, 0, 6, 1), new Cells(6, 0, 2, 1));
        assertThat(laid.get(0).listens()).containsExactly(Listen.label(Optional.of(DESK), "/in/1/name", 0));
    }

    @Test
    void whatHasNoRoomGoesOnAFurtherPage() {
        Control[] many = new Control[40];
        Arrays.setAll(
                many,
                i -> Control.plain(
                        "level " + i,
                        new Cells(i, 0, 1, 8),
                        Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE),
                        List.of(),
                        List.of()));
        Show after = ((Outcome.Accepted) toPhone(page(many), 2)).show();
        List<Part> pages = after.all(Page.class).stream()
                .filter(part -> ((Page) part.body()).name().contains(", phone"))
                .toList();
        assertThat(pages)
                .extracting(part -> ((Page) part.body()).name())
                .containsExactly("Many, phone", "Many, phone 2");
        assertThat(pages)
                .flatExtracting(part -> controls(after, part.id()))
                .extracting(Control::label)
                .containsExactlyElementsOf(
                        Arrays.stream(many).map(Control::label).toList());
    }

    @Test
    void anEmptyPageHasNothingToCopyAndSaysSo() {
        assertThat(((Outcome.Refused) toPhone(page(), 1)).problems().get(0).message())
                .contains("There is no control on this page yet");
        assertThat(((Outcome.Refused) toPhone(PAGE, 3)).problems().get(0).message())
                .contains("one strip across, or for two");
    }

    /** Of any controls in any places, all come along, none lies over another and none is too small. */
    @Test
    void whateverLiesOnAPageHasRoomForFingersOnThePhone() {
        Random random = new Random(13);
        for (int round = 0; round < 400; round++) {
            List<Control> some = new ArrayList<>();
            FreeCells free = new FreeCells(new imperan.show.Grid(24, 16), List.of());
            for (int i = random.nextInt(30); i >= 0; i--) {
                ControlKind kind = List.of(
                                ControlKind.FADER,
                                ControlKind.KNOB,
                                ControlKind.WHEEL,
                                ControlKind.BUTTON,
                                ControlKind.CHOICE,
                                ControlKind.XY_PAD,
                                ControlKind.TILT,
                                ControlKind.COLOUR,
                                ControlKind.LINE,
                                ControlKind.TAP,
                                ControlKind.METER,
                                ControlKind.NEEDLE,
                                ControlKind.LAMP,
                                ControlKind.READOUT,
                                ControlKind.CLOCK,
                                ControlKind.PICTURE,
                                ControlKind.PAGE_KEY)
                        .get(random.nextInt(17));
                Cells size = new Cells(0, 0, kind.width(), 1 + random.nextInt(kind.height()));
                Optional<Cell> way =
                        free.wayFor(List.of(size), Optional.of(new Cell(random.nextInt(24), random.nextInt(16))));
                if (way.isPresent()) {
                    Cells cells = size.moved(way.get().column(), way.get().row());
                    some.add((Control) kind.parts(PartId.random(), PAGE, 0, "c" + i, cells)
                            .get(0)
                            .body());
                    free = new FreeCells(
                            free.grid(), some.stream().map(Control::cells).toList());
                }
            }
            Show before = show;
            PartId page = page(some.toArray(Control[]::new));
            Show after = ((Outcome.Accepted) toPhone(page, 1 + random.nextInt(2))).show();
            List<PartId> phones = after.all(Page.class).stream()
                    .filter(part -> ((Page) part.body()).name().contains(", phone"))
                    .map(Part::id)
                    .toList();
            assertThat(phones.stream()
                            .flatMap(id -> controls(after, id).stream())
                            .map(Control::label))
                    .containsExactlyInAnyOrderElementsOf(
                            some.stream().map(Control::label).toList());
            assertThat(new Checks(after).all())
                    .noneMatch(finding -> finding.kind() == FindingKind.TOO_SMALL && phones.contains(finding.cause()));
            show = before;
        }
    }

    /** A page with these controls. */
    private PartId page(Control... controls) {
        PartId id = new PartId("many");
        show = accepted(
                show,
                ADA,
                put(
                        id,
                        show.part(PAGE).orElseThrow().parent().orElseThrow(),
                        new Page("Many", 64, 16, Page.Screen.DESK, false, Optional.empty())));
        for (int i = 0; i < controls.length; i++) {
            show = accepted(show, ADA, put(new PartId("m" + i), id, controls[i]));
        }
        return id;
    }
}
