package imperan.layout.files;

import imperan.check.LineChecks;
import imperan.check.Severity;
import imperan.layout.Grids;
import imperan.layout.drafts.ChangeLine;
import imperan.picture.Picture;
import imperan.picture.Pictures;
import imperan.progress.Progress;
import imperan.show.Body;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.References;
import imperan.show.Show;
import imperan.show.ShowFile;
import imperan.show.Target;
import imperan.show.Twin;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A layout or a page as a file of its own: what lies on it with all lines, the targets that they name with the settings that make up
 * the set-up card, and their phrasebooks. It is written like a show file, so the same layout gives the same bytes.
 */
public final class LayoutFile {

    public static final String LAYOUT = "imperan-layout";
    public static final String PAGE = "imperan-page";

    /** What becomes of a layout, or of a page, whose name is there already. */
    public enum OnSameName {
        KEEP_BOTH,
        REPLACE
    }

    private LayoutFile() {}

    /**
     * What came of looking at a file.
     *
     * @param name     of the layout
     * @param pages    the names of its pages
     * @param exists   whether a layout (of a page: a page of that layout) of this name is there
     * @param matched  targets that it names and the rig has
     * @param missing  targets that it names and the rig has not: each comes along with the settings of the file
     * @param extra    targets of the rig that it does not use
     * @param dead     lines that would do nothing here, with the reason
     * @param changes  all that taking it in changes
     * @param problem  why it cannot be taken in; empty where it can
     */
    public record LayoutPreview(
            String name,
            List<String> pages,
            boolean exists,
            List<String> matched,
            List<String> missing,
            List<String> extra,
            List<String> dead,
            List<ChangeLine> changes,
            Optional<String> problem) {}

    // ---- out

    /** The file of a layout, or of a page; empty where there is none of this id. */
    public static Optional<String> write(Show show, PartId id, Pictures pictures) {
        Optional<Part> part = show.part(id).filter(p -> p.body() instanceof Layout || p.body() instanceof Page);
        return part.map(p -> {
            PartId layout = p.body() instanceof Page ? p.parent().orElseThrow() : id;
            Set<PartId> wanted = new LinkedHashSet<>(List.of(layout));
            Stream<PartId> pages =
                    p.body() instanceof Page ? Stream.of(id) : show.children(id).map(Part::id);
            pages.forEach(page -> addInside(show, page, wanted));
            Set<PartId> targets = new LinkedHashSet<>();
            wanted.forEach(inside -> targets(
                            alone(show, show.part(inside).orElseThrow(), wanted).body(), show)
                    .forEach(targets::add));
            targets.forEach(target -> {
                wanted.add(target);
                ((Target) show.part(target).orElseThrow().body())
                        .phrasebook()
                        .filter(book -> show.part(book).isPresent())
                        .ifPresent(book -> addInside(show, book, wanted));
            });
            Show only = Show.of(
                    0,
                    show.parts().stream()
                            .filter(held -> wanted.contains(held.part().id()))
                            .map(held -> new Held(alone(show, held.part(), wanted), held.version(), held.author()))
                            .toList());
            return ShowFile.write(
                    p.body() instanceof Page ? PAGE : LAYOUT,
                    show.part(layout).orElseThrow().body().called(),
                    only,
                    pictures);
        });
    }

    /** A control that is shown again is there itself where the place that it is shown from stays behind. */
    private static Part alone(Show show, Part part, Set<PartId> wanted) {
        return part.body() instanceof Twin twin && !wanted.contains(twin.of())
                ? new Grids(show)
                        .shown(twin)
                        .map(control -> new Part(part.id(), part.parent(), part.order(), control.at(twin.cells())))
                        .orElse(part)
                : part;
    }

    private static void addInside(Show show, PartId id, Set<PartId> wanted) {
        wanted.add(id);
        show.children(id).forEach(inside -> addInside(show, inside.id(), wanted));
    }

    /** The targets that a part names. */
    private static Stream<PartId> targets(Body body, Show show) {
        return References.of(body).stream().filter(id -> show.part(id)
                .filter(part -> part.body() instanceof Target)
                .isPresent());
    }

    // ---- in

    /** Looks at a file without changing anything. */
    public static LayoutPreview preview(Show show, String text, OnSameName onSameName, Person author) {
        ShowFile.Read read = read(text);
        if (read instanceof ShowFile.Read.Bad bad) {
            return new LayoutPreview(
                    "",
                    List.of(),
                    false,
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    Optional.of(bad.reason() + " (" + bad.place() + ")"));
        }
        Taking taking = new Taking(show, (ShowFile.Read.Good) read, onSameName);
        Outcome outcome = taking.outcome(author);
        List<ChangeLine> changes =
                outcome instanceof Outcome.Accepted done ? ChangeLine.of(done.edit(), done.show()) : List.of();
        List<String> dead = outcome instanceof Outcome.Accepted done ? dead(done.show(), taking) : List.of();
        Optional<String> problem = outcome instanceof Outcome.Refused refused
                ? Optional.of(refused.problems().get(0).message())
                : Optional.empty();
        return new LayoutPreview(
                taking.file.name(),
                taking.names(Page.class),
                taking.exists(),
                taking.matched(),
                taking.missing(),
                taking.extra(),
                dead,
                changes,
                problem);
    }

    private static List<String> dead(Show after, Taking taking) {
        return taking.ids.values().stream()
                .map(after::part)
                .flatMap(Optional::stream)
                .flatMap(part -> LineChecks.of(after, part).stream()
                        .filter(finding -> finding.kind().severity() != Severity.NOTE)
                        .map(finding -> part.body().called() + ": " + finding.text()))
                .toList();
    }

    /** The pictures that come along in a file; none where it cannot be read. */
    public static List<Picture> pictures(String text) {
        return read(text) instanceof ShowFile.Read.Good good ? good.pictures() : List.of();
    }

    /** Takes a file in, as one edit, or says why not. */
    public static Outcome take(Show show, String text, OnSameName onSameName, Person author) {
        ShowFile.Read read = read(text);
        return read instanceof ShowFile.Read.Bad bad
                ? Outcome.Refused.because(bad.reason() + " (" + bad.place() + ")")
                : new Taking(show, (ShowFile.Read.Good) read, onSameName).outcome(author);
    }

    private static ShowFile.Read read(String text) {
        return ShowFile.read(text, "layout file", List.of(LAYOUT, PAGE), Progress.NONE);
    }

    /** One file on its way into one show. */
    private static final class Taking {
        private final Show show;
        private final ShowFile.Read.Good file;
        private final OnSameName onSameName;
        /** What parts of the file are in the show: those that are there already, else themselves. */
        private final Map<PartId, PartId> ids = new HashMap<>();
        /** The layout of the show that has the name of the one in the file. */
        private final Optional<Part> namesake;

        private Taking(Show show, ShowFile.Read.Good file, OnSameName onSameName) {
            this.show = show;
            this.file = file;
            this.onSameName = onSameName;
            this.namesake = named(Layout.class, layout().body().called());
            file.parts()
                    .forEach(part -> ids.put(part.id(), here(part).map(Part::id).orElse(part.id())));
            if (file.format().equals(PAGE)) {
                namesake.ifPresent(part -> ids.put(layout().id(), part.id()));
            }
        }

        private Part layout() {
            return file.parts().stream()
                    .filter(part -> part.body() instanceof Layout)
                    .findFirst()
                    .orElseGet(() -> new Part(PartId.random(), Optional.empty(), 0, Layout.plain(file.name())));
        }

        /** The target or phrasebook of the show that has the name of one in the file. */
        private Optional<Part> here(Part part) {
            if (part.body() instanceof Target target) {
                return named(Target.class, target.name());
            } else if (part.body() instanceof Phrasebook book) {
                return named(Phrasebook.class, book.name());
            }
            return Optional.empty();
        }

        private Optional<Part> named(Class<? extends Body> kind, String name) {
            return show.all(kind).stream()
                    .filter(part -> part.body().called().equals(name) && !show.inDraft(part))
                    .findFirst();
        }

        private List<String> names(Class<? extends Body> kind) {
            return file.parts().stream()
                    .filter(part -> kind.isInstance(part.body()))
                    .map(part -> part.body().called())
                    .toList();
        }

        private boolean exists() {
            return file.format().equals(LAYOUT)
                    ? namesake.isPresent()
                    : namesake.filter(layout -> show.children(layout.id()).anyMatch(page -> names(Page.class)
                                    .contains(page.body().called())))
                            .isPresent();
        }

        private List<String> matched() {
            return names(Target.class).stream()
                    .filter(name -> named(Target.class, name).isPresent())
                    .toList();
        }

        private List<String> missing() {
            return names(Target.class).stream()
                    .filter(name -> named(Target.class, name).isEmpty())
                    .toList();
        }

        private List<String> extra() {
            List<String> used = names(Target.class);
            return show.all(Target.class).stream()
                    .map(part -> part.body().called())
                    .filter(name -> !used.contains(name))
                    .toList();
        }

        private Outcome outcome(Person author) {
            List<EditRequest.Step> steps = new ArrayList<>();
            if (onSameName == OnSameName.REPLACE) {
                namesake.ifPresent(layout -> remove(layout, steps));
            }
            int order = Stream.concat(show.all(Layout.class).stream(), show.all(Page.class).stream())
                            .mapToInt(Part::order)
                            .max()
                            .orElse(0)
                    + 1;
            for (Part part : file.parts()) {
                PartId id = ids.get(part.id());
                boolean known = !id.equals(part.id())
                        || part.body() instanceof Phrase
                                && !ids.get(part.parent().orElseThrow())
                                        .equals(part.parent().get());
                if (!known) {
                    steps.add(new EditRequest.Put(
                            new Part(id, part.parent().map(ids::get), order++, here(part.body())), 0));
                }
            }
            return show.apply(
                    new EditRequest(
                            "Import "
                                    + (file.format().equals(LAYOUT)
                                            ? "the layout " + file.name()
                                            : "the page " + String.join(", ", names(Page.class))),
                            steps),
                    author);
        }

        /** What the file replaces: the whole layout, or its pages of the same names. */
        private void remove(Part layout, List<EditRequest.Step> steps) {
            List<Part> gone = file.format().equals(LAYOUT)
                    ? List.of(layout)
                    : show.children(layout.id())
                            .filter(page ->
                                    names(Page.class).contains(page.body().called()))
                            .toList();
            gone.forEach(part -> steps.add(new EditRequest.Remove(
                    part.id(), show.held(part.id()).map(Held::version).orElseThrow())));
        }

        /** A body of the file as it is to stand here. */
        private Body here(Body inFile) {
            Body body = References.mapped(inFile, id -> Optional.of(ids.getOrDefault(id, id)))
                    .orElseThrow();
            if (body instanceof Layout layout) {
                return Layout.plain(
                        onSameName == OnSameName.KEEP_BOTH ? free(layout.name(), Layout.class) : layout.name());
            } else if (body instanceof Page page
                    && file.format().equals(PAGE)
                    && onSameName == OnSameName.KEEP_BOTH
                    && namesake.isPresent()) {
                return page.named(free(page.name(), Page.class));
            }
            return body;
        }

        private String free(String name, Class<? extends Body> kind) {
            String free = name;
            for (int i = 2; named(kind, free).isPresent(); i++) {
                free = name + " " + i;
            }
            return free;
        }
    }
}
