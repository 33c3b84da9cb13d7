package imperan.show;

import static imperan.show.Shows.ADA;
import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import imperan.layout.Arrangement;
import imperan.layout.arranging.Arranger;
import imperan.layout.drafts.ChangeLine;
import imperan.picture.Pictures;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;
import tools.jackson.databind.JsonNode;

/** Walks through all kinds of parts: one that is forgotten on the way out, in or across is noticed here, and so is one of which {@link OneOfEach} has none. */
class KindsTest {

    static final List<Kind> ALL = Kinds.ALL;
    static final List<Kind> IN_FILES = ALL.stream().filter(Kind::inFiles).toList();

    private static final Show SHOW = OneOfEach.show();

    private static List<Part> of(Show show, Kind kind) {
        return show.all(kind.type());
    }

    private static Show imported(String file) {
        return ((Outcome.Accepted)
                        Show.empty().become(((ShowFile.Read.Good) ShowFile.read(file)).parts(), ADA, "Import"))
                .show();
    }

    /** The bodies of a kind, with the names of a file for what they refer to. */
    private static Set<JsonNode> inFile(String file, Kind kind) {
        return StreamSupport.stream(
                        ShowJson.mapper().readTree(file).get("parts").spliterator(), false)
                .map(part -> part.get("body"))
                .filter(body -> body.get("kind").stringValue().equals(kind.name()))
                .collect(Collectors.toSet());
    }

    @Test
    void everyBodyIsARegisteredKindWithANameOfItsOwn() {
        Set<String> bodies = new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("imperan").stream()
                        .filter(type -> type.isAssignableTo(Body.class) && !type.isInterface())
                        .map(JavaClass::getName)
                        .collect(Collectors.toSet());
        assertThat(ALL.stream().map(kind -> kind.type().getName())).containsExactlyInAnyOrderElementsOf(bodies);
        assertThat(ALL.stream().map(Kind::name)).doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @FieldSource("IN_FILES")
    void comesBackFromAFile(Kind kind) {
        assertThat(of(SHOW, kind)).as("OneOfEach has one").isNotEmpty();
        String file = ShowFile.write("Show", SHOW, Pictures.NONE);
        Show back = imported(file);
        assertThat(of(back, kind)).hasSameSizeAs(of(SHOW, kind));
        assertThat(inFile(ShowFile.write("Show", back, Pictures.NONE), kind))
                .isEqualTo(inFile(file, kind))
                .hasSameSizeAs(of(SHOW, kind));
    }

    /** Source: JSON Schema 2020-12, by the validator of networknt. */
    @ParameterizedTest
    @FieldSource("IN_FILES")
    void isInTheSchemaOfTheFile(Kind kind) throws Exception {
        String text = Files.readString(Path.of("../docs/show-file.schema.json"));
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(text);
        assertThat(ShowJson.mapper()
                        .readTree(text)
                        .path("$defs")
                        .path(kind.name())
                        .path("properties")
                        .path("kind")
                        .path("const")
                        .asString(""))
                .isEqualTo(kind.name());
        assertThat(schema.validate(ShowFile.write("Show", SHOW, Pictures.NONE), InputFormat.JSON))
                .isEmpty();
    }

    @ParameterizedTest
    @FieldSource("IN_FILES")
    void refersToNothingOutsideOfItsFile(Kind kind) {
        Show back = imported(ShowFile.write("Show", SHOW, Pictures.NONE));
        assertThat(of(back, kind)).allSatisfy(part -> assertThat(References.of(part.body()))
                .allMatch(id -> back.part(id).isPresent() && SHOW.part(id).isEmpty()));
        assertThat(of(back, kind).stream()
                        .map(part -> References.of(part.body()).size()))
                .as("nothing that it refers to is lost")
                .containsExactlyInAnyOrderElementsOf(of(SHOW, kind).stream()
                        .map(part -> References.of(part.body()).size())
                        .toList());
    }

    @ParameterizedTest
    @FieldSource("ALL")
    void isFoundByItsKindByWhereItLiesAndByWhatItRefersTo(Kind kind) {
        for (Part part : of(SHOW, kind)) {
            assertThat(SHOW.all(Body.class)).contains(part);
            part.parent().ifPresent(parent -> assertThat(SHOW.children(parent)).contains(part));
            References.of(part.body())
                    .forEach(id -> assertThat(SHOW.referringTo(id)).contains(part));
            assertThat(References.of(part.body())).allMatch(id -> SHOW.part(id).isPresent());
        }
    }

    @ParameterizedTest
    @FieldSource("IN_FILES")
    void isSeenToComeInAComparison(Kind kind) {
        Outcome.Accepted done = (Outcome.Accepted)
                Show.empty().become(SHOW.parts().stream().map(Held::part).toList(), ADA, "All");
        List<ChangeLine> lines = ChangeLine.of(done.edit(), done.show());
        assertThat(of(SHOW, kind)).allSatisfy(part -> assertThat(lines)
                .contains(new ChangeLine(
                        part.body().calledAmong(SHOW::part), "", "", part.body().described())));
    }

    /** Of each kind that can lie in a layout as many are in a copy of it, and none of them refers into the original. */
    @Test
    void copiesOfALayoutHaveAllThatLiesInIt() {
        PartId copy = new PartId("copy");
        Show copied = ((Outcome.Accepted) Arranger.carryOut(SHOW, new Arrangement.CopyLayout(Shows.LAYOUT, copy), ADA))
                .show();
        Set<PartId> original = inside(SHOW, Shows.LAYOUT);
        for (Kind kind : ALL) {
            List<Part> there = of(copied, kind).stream()
                    .filter(part -> inside(copied, copy).contains(part.id()))
                    .toList();
            assertThat(there).as(kind.name()).hasSize((int) of(SHOW, kind).stream()
                    .filter(part -> original.contains(part.id()))
                    .count());
            assertThat(there)
                    .allSatisfy(part -> assertThat(References.of(part.body())).noneMatch(original::contains));
        }
        Show swapped = ((Outcome.Accepted) Arranger.carryOut(copied, new Arrangement.SwapLayout(copy), ADA)).show();
        assertThat(swapped.sameContentAs(SHOW)).isTrue();
    }

    private static Set<PartId> inside(Show show, PartId id) {
        Set<PartId> all = new HashSet<>();
        show.children(id).forEach(part -> {
            all.add(part.id());
            all.addAll(inside(show, part.id()));
        });
        return all;
    }

    @Test
    void whatCannotBeWithoutWhatIsGoneGoesWithIt() {
        PartId gone = OneOfEach.MAIN;
        assertThat(References.mapped(new Twin(gone, new Cells(0, 0, 1, 1)), id -> Optional.empty()))
                .isEmpty();
        Layout.Origin kept = new Layout.Origin(new PartId("a"), new PartId("b"));
        Layout draft = new Layout(
                "Copy",
                Optional.of(new Layout.Draft(Shows.LAYOUT, List.of(kept, new Layout.Origin(gone, new PartId("c"))))));
        assertThat(References.mapped(draft, id -> Optional.of(id).filter(other -> !other.equals(gone))))
                .contains(new Layout("Copy", Optional.of(new Layout.Draft(Shows.LAYOUT, List.of(kept)))));
        assertThat(References.mapped(draft, id -> Optional.of(id).filter(other -> !other.equals(Shows.LAYOUT))))
                .contains(Layout.plain("Copy"));
        assertThat(References.of(draft))
                .containsExactlyInAnyOrder(Shows.LAYOUT, kept.copy(), kept.original(), gone, new PartId("c"));
    }
}
