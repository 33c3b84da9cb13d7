package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.GatherControls;
import imperan.layout.files.LayoutFile;
import imperan.picture.Pictures;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrase.Direction;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.ShowFile;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Layouts and pages as files. */
class LayoutFileTest extends FourFaders {

    @Test
    void aLayoutTakenIntoAnEmptyShowAndGivenOutAgainIsTheSameFile() {
        done(new GatherControls(faders().subList(0, 2), new PartId("tray"), "Pair"));
        String file = LayoutFile.write(show, LAYOUT, Pictures.NONE).orElseThrow();
        Show empty =
                ((Outcome.Accepted) LayoutFile.take(Show.empty(), file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(LayoutFile.write(empty, empty.all(Layout.class).get(0).id(), Pictures.NONE)
                        .orElseThrow())
                .isEqualTo(file);
        assertThat(empty.all(Target.class))
                .extracting(part -> part.body().called())
                .as("only what its lines need")
                .containsExactly("Desk");
        assertThat(ShowFile.read(file)).as("a layout is no show").isInstanceOf(ShowFile.Read.Bad.class);
    }

    @Test
    void whatALayoutNeedsIsSaidBeforeItIsTakenIn() {
        String file = LayoutFile.write(show, LAYOUT, Pictures.NONE).orElseThrow();
        Show bare = accepted(Show.empty(), ADA, put(OTHER, null, Shows.target("Other")));
        LayoutFile.LayoutPreview preview = LayoutFile.preview(bare, file, LayoutFile.OnSameName.KEEP_BOTH, ADA);
        assertThat(preview.missing()).containsExactly("Desk");
        assertThat(preview.extra()).containsExactly("Other");
        assertThat(preview.matched()).isEmpty();
        assertThat(preview.exists()).isFalse();
        assertThat(preview.changes()).isNotEmpty();
        Show other = accepted(
                bare,
                ADA,
                put(new PartId("book2"), null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(
                        new PartId("p"),
                        new PartId("book2"),
                        phrase("/main/level", Direction.BOTH, ArgumentType.FLOAT32, Optional.of(1.0))),
                put(new PartId("desk2"), null, Shows.target("Desk").speaking(new PartId("book2"))));
        LayoutFile.LayoutPreview dead = LayoutFile.preview(other, file, LayoutFile.OnSameName.KEEP_BOTH, ADA);
        assertThat(dead.matched()).containsExactly("Desk");
        assertThat(dead.dead()).hasSize(8).allMatch(line -> line.contains("phrasebook has no /in/"));
        assertThat(LayoutFile.preview(bare, "{", LayoutFile.OnSameName.KEEP_BOTH, ADA)
                        .problem()
                        .orElseThrow())
                .contains("not JSON");
    }

    @Test
    void aNameThatIsThereIsKeptTwiceOrReplaced() {
        String file = LayoutFile.write(show, LAYOUT, Pictures.NONE).orElseThrow();
        Show twice = ((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(twice.all(Layout.class))
                .extracting(part -> part.body().called())
                .containsExactly("Layout", "Layout 2");
        show = accepted(show, ADA, change(show, new PartId("f1"), fader("Changed", 0, "/in/1/level")));
        Show back = ((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.REPLACE, ADA)).show();
        assertThat(back.all(Layout.class)).hasSize(1);
        assertThat(back.all(Control.class))
                .extracting(part -> part.body().called())
                .contains("level 1")
                .doesNotContain("Changed");
        assertThat(back.all(Target.class)).hasSize(2);
    }

    @Test
    void aPageComesBackIntoItsLayout() {
        String file = LayoutFile.write(show, PAGE, Pictures.NONE).orElseThrow();
        Show twice = ((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(twice.all(Layout.class)).hasSize(1);
        assertThat(twice.all(Page.class))
                .extracting(part -> part.body().called())
                .containsExactly("Page", "Page 2");
        assertThat(((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.REPLACE, ADA))
                        .show()
                        .all(Page.class))
                .hasSize(1);
    }
}
