package imperan.show;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a show finds by its indexes is what somebody finds who looks through all its parts. */
class IndexesTest {

    private static final List<Class<? extends Body>> KINDS = List.of(
            Target.class,
            Layout.class,
            Page.class,
            Tray.class,
            Control.class,
            Laid.class,
            Phrasebook.class,
            Phrase.class);

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void indexesFollowAnyEdits(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        for (int i = 0; i < 300; i++) {
            Show before = edits.show();
            List<Held> partsBefore = List.copyOf(before.parts());
            Edit edit = edits.next();
            Show show = edits.show();

            for (Class<? extends Body> kind : KINDS) {
                assertThat(show.all(kind))
                        .isEqualTo(show.parts().stream()
                                .map(Held::part)
                                .filter(part -> kind.isInstance(part.body()))
                                .sorted(Part.IN_ORDER)
                                .toList());
            }
            show.parts().forEach(held -> assertThat(show.children(held.part().id()))
                    .containsExactlyElementsOf(show.parts().stream()
                            .map(Held::part)
                            .filter(part -> part.parent()
                                    .filter(held.part().id()::equals)
                                    .isPresent())
                            .sorted(Part.IN_ORDER)
                            .toList()));
            assertThat(before.parts()).as("what somebody else holds").containsExactlyElementsOf(partsBefore);
            assertThat(before.replay(edit).sameContentAs(show)).isTrue();
            assertThat(before.changesTo(show))
                    .containsExactlyInAnyOrderElementsOf(edit.changes().stream()
                            .filter(change -> !change.before().equals(change.after()))
                            .toList());
        }
    }
}
