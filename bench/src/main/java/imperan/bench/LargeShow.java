package imperan.bench;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A show as large as is wanted: pages full of faders, each with a send and a listen, for targets that speak one long phrasebook. */
final class LargeShow {

    static final int TARGETS = 20;
    private static final int ON_A_PAGE = 96;
    /** Steps of one edit, as many as one may have. */
    private static final int AT_ONCE = 4_000;

    private static final Person ADA = new Person("bench", "Ada");

    private LargeShow() {}

    /**
     * @param size    controls
     * @param phrases of the one phrasebook
     */
    static Show of(int size, int phrases) {
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(put("book", null, 0, new Phrasebook("Book", Phrasebook.LinkSheet.unknown())));
        for (int i = 0; i < phrases; i++) {
            steps.add(put(
                    "phrase" + i,
                    "book",
                    i,
                    Phrase.plain(
                            address(i),
                            Phrase.Direction.BOTH,
                            List.of(Phrase.PhraseArgument.plain(
                                    ArgumentType.FLOAT32,
                                    Optional.of(0.0),
                                    Optional.of(1.0),
                                    "",
                                    List.of(),
                                    Optional.empty())),
                            AnswerRule.usual(AnswerRule.Kind.SAME),
                            "",
                            "")));
        }
        for (int i = 0; i < TARGETS; i++) {
            steps.add(put(
                    target(i).value(),
                    null,
                    i,
                    Target.plain("Target " + i, "192.0.2." + (10 + i), 7_001 + i, 9_001 + i, Target.Answering.REPORTS)
                            .speaking(new PartId("book"))));
        }
        steps.add(put("layout", null, 0, Layout.plain("Layout")));
        for (int page = 0; page * ON_A_PAGE < size; page++) {
            steps.add(put("page" + page, "layout", page, Page.plain("Page " + page, 12, 8)));
        }
        for (int i = 0; i < size; i++) {
            steps.add(put(control(i).value(), "page" + i / ON_A_PAGE, i % ON_A_PAGE, body(i, phrases, "Control " + i)));
        }
        Show show = Show.empty();
        for (int from = 0; from < steps.size(); from += AT_ONCE) {
            show = ((Outcome.Accepted) show.apply(
                            new EditRequest("Build", steps.subList(from, Math.min(steps.size(), from + AT_ONCE))), ADA))
                    .show();
        }
        return show;
    }

    private static EditRequest.Step put(String id, String parent, int order, Body body) {
        return new EditRequest.Put(
                new Part(new PartId(id), Optional.ofNullable(parent).map(PartId::new), order, body), 0);
    }

    static PartId target(int i) {
        return new PartId("target" + i % TARGETS);
    }

    static PartId control(int i) {
        return new PartId("control" + i);
    }

    /** Phrases that differ in letters. */
    private static String address(int i) {
        return "/" + (char) ('a' + i % 26) + (char) ('a' + i / 26 % 26) + (char) ('a' + i / 676 % 26)
                + (char) ('a' + i / 17_576) + "/level";
    }

    static Control body(int i, int phrases, String label) {
        String address = address(i % phrases);
        return Control.plain(
                label,
                new Cells(i % ON_A_PAGE % 12, i % ON_A_PAGE / 12, 1, 1),
                Fader.plain(Form.Direction.UP, Form.Grab.JUMP),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(target(i)),
                        address,
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                List.of(Listen.value(Optional.of(target(i)), address, 0, 0, 1)));
    }
}
