package imperan.server.run;

import imperan.live.ControlValue;
import imperan.live.LiveShow;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.form.Choice;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import org.junit.jupiter.api.Test;

import java.util.List;
import java.util.Optional;
import java.util.Set;

import static org.assertj.core.api.Assertions.assertThat;

/** What is gathered for browsers, and what one control that cannot be told does to the others. */
class ChangesTest {

    private final Changes changes = new Changes((target, packet) -> true);
    private final LiveShow live = new LiveShow(changes);

    private static Held part(String id, String parent, Body body) {
        return new Held(new Part(new PartId(id), Optional.ofNullable(parent).map(PartId::new), 0, body), 1, new Person("b", "Ada"));
    }

    /** No edit makes such a choice; an old database may hold one. */
    @Test
    void aControlThatFailsStopsNeitherTheBatchNorTheWelcomeOfTheOthers() {
        Control whole = Control.plain("Level", new Cells(0, 0, 1, 1), Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0), List.of(), List.of());
        Control broken = Control.plain("Broken", new Cells(1, 0, 1, 1), new Choice(List.of(), Form.Direction.RIGHT), List.of(), List.of());
        live.load(Show.of(1, List.of(part("layout", null, Layout.plain("L")), part("page", "layout", Page.plain("P", 8, 8)), part("broken", "page", broken),
                part("whole", "page", whole))), 0);
        assertThat(changes.take(live, Set.of(), 0).values()).extracting(ControlValue::control).containsExactly(new PartId("whole"));
        assertThat(changes.values(live)).extracting(ControlValue::control).containsExactly(new PartId("whole"));
    }

    @Test
    void aNumberOfMissedPacketsIsToldOnceWithoutAnythingElse() {
        assertThat(changes.isUntold(0)).isFalse();
        assertThat(changes.isUntold(5)).isTrue();
        assertThat(changes.take(live, Set.of(), 5).missed()).isEqualTo(5);
        assertThat(changes.isUntold(5)).isFalse();
        changes.notice("Something was left out");
        assertThat(changes.take(live, Set.of(), 5).notices()).containsExactly("Something was left out");
        assertThat(changes.isUntold(5)).isFalse();
    }
}
