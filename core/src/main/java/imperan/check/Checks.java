package imperan.check;

import imperan.live.MaskedControl;
import imperan.phrasebook.Vocabulary;
import imperan.show.Acceptance;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Edit;
import imperan.show.Forward;
import imperan.show.Host;
import imperan.show.Laid;
import imperan.show.Layout;
import imperan.show.Look;
import imperan.show.NamedValue;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Song;
import imperan.show.Target;
import imperan.show.Track;
import imperan.show.Twin;
import imperan.show.cue.Acting;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * All findings of a show. It follows the edits of the show, and looks again only at what an edit can have changed; and what is known of the
 * network, which it is told every now and then. Used by one thread at a time.
 */
public final class Checks {

    /** The worst first, and accepted ones last. */
    public static final Comparator<Finding> WORST_FIRST = Comparator.<Finding, Boolean>comparing(
                    finding -> !finding.isOpen())
            .thenComparing(finding -> finding.kind().severity())
            .thenComparing(Finding::kind)
            .thenComparing(Finding::about)
            .thenComparing(Finding::field);

    private final Doubles doubles = new Doubles();
    /** Of controls, of what is shown again, of cues and their lists, and of phrases; none of those without any. */
    private final Map<PartId, List<Finding>> own = new HashMap<>();
    /** Of hosts and targets. */
    private Map<PartId, List<Finding>> rig = Map.of();
    /** Of controls that have no effect now. */
    private Map<PartId, List<Finding>> masked = Map.of();
    /** Controls in whose way something can stand. */
    private final Set<PartId> maskable = new HashSet<>();

    private Show show;
    private NetworkFacts facts = NetworkFacts.NONE;

    public Checks(Show show) {
        load(show);
    }

    private void load(Show loaded) {
        show = loaded;
        own.clear();
        maskable.clear();
        List<Part> all = Stream.of(
                        Control.class, Twin.class, Phrase.class, Forward.class, Cue.class, CueList.class, Song.class)
                .flatMap(kind -> loaded.all(kind).stream())
                .toList();
        all.forEach(part -> doubles.note(loaded, part.id(), Optional.of(part)));
        all.forEach(part -> look(part.id()));
        lookAtRig();
    }

    // ---- what comes

    /**
     * Follows an edit.
     *
     * @param next the show that it led to
     * @return the parts whose findings may be others now
     */
    public Set<PartId> follow(Edit edit, Show next) {
        if (edit.number() != show.version() + 1 || edit.number() != next.version()) {
            Set<PartId> before = found();
            show.all(Phrase.class).forEach(part -> doubles.note(next, part.id(), Optional.empty()));
            show.all(Laid.class).forEach(part -> doubles.note(next, part.id(), Optional.empty()));
            Lined.all(show).forEach(part -> doubles.note(next, part.id(), Optional.empty()));
            load(next);
            before.addAll(found());
            return before;
        }
        Set<PartId> touched = touched(edit, show, next);
        Set<PartId> again = new LinkedHashSet<>(touched);
        touched.forEach(id -> again.addAll(doubles.alike(id)));
        show = next;
        touched.forEach(id -> doubles.note(next, id, next.part(id).filter(Checks::isLookedAt)));
        touched.forEach(id -> again.addAll(doubles.alike(id)));
        Set<PartId> changed = new HashSet<>();
        for (PartId id : again) {
            if (look(id)) {
                changed.add(id);
            }
        }
        if (edit.changes().stream().anyMatch(change -> Stream.of(change.before(), change.after())
                .flatMap(Optional::stream)
                .anyMatch(Checks::isOfRig))) {
            changed.addAll(lookAtRig());
        }
        return changed;
    }

    /**
     * What is known of the network, and which controls have no effect, now.
     *
     * @return the parts whose findings are others now
     */
    public Set<PartId> now(NetworkFacts known, Collection<MaskedControl> withoutEffect) {
        facts = known;
        Set<PartId> changed = lookAtRig();
        Map<PartId, List<Finding>> before = masked;
        masked = byPart(withoutEffect.stream()
                .filter(each -> show.part(each.control()).isPresent())
                .map(this::maskedNow)
                .toList());
        changed.addAll(differing(before, masked));
        return changed;
    }

    /** The controls of which it is worth asking whether they have an effect now: something can stand in the way of what they say. */
    public Set<PartId> maskable() {
        return Set.copyOf(maskable);
    }

    // ---- what is found

    public Show show() {
        return show;
    }

    /** The findings about one part, the worst first. */
    public List<Finding> of(PartId part) {
        return Stream.of(own, rig, masked)
                .flatMap(each -> each.getOrDefault(part, List.of()).stream())
                .sorted(WORST_FIRST)
                .toList();
    }

    /** All of them, the worst first. */
    public List<Finding> all() {
        return Stream.of(own, rig, masked)
                .flatMap(each -> each.values().stream())
                .flatMap(List::stream)
                .sorted(WORST_FIRST)
                .toList();
    }

    /** The parts about which there is any. */
    public Set<PartId> found() {
        return Stream.of(own, rig, masked)
                .flatMap(each -> each.keySet().stream())
                .collect(Collectors.toCollection(HashSet::new));
    }

    // ---- looking

    /** Whether its findings are others now. */
    private boolean look(PartId id) {
        List<Finding> found =
                show.part(id).filter(Checks::isLookedAt).map(this::findings).orElse(List.of());
        List<Finding> before = found.isEmpty() ? own.remove(id) : own.put(id, found);
        if (show.part(id)
                .map(Part::body)
                .filter(body -> body instanceof Control control && canBeMasked(control))
                .isPresent()) {
            maskable.add(id);
        } else {
            maskable.remove(id);
        }
        return !found.equals(before == null ? List.of() : before);
    }

    private List<Finding> findings(Part part) {
        List<Finding> found = new ArrayList<>(LineChecks.of(show, part));
        found.addAll(ForwardChecks.of(show, part));
        found.addAll(ChainChecks.of(show, part));
        found.addAll(StepChecks.of(show, part));
        found.addAll(PageChecks.of(show, part));
        found.addAll(doubles.of(show, part.id()));
        return found.stream().map(finding -> Accepting.marked(show, finding)).toList();
    }

    private boolean canBeMasked(Control control) {
        return control.sends().stream().anyMatch(send -> send.target()
                .flatMap(target -> Vocabulary.of(show, target).said(send.address()))
                .filter(known -> !known.phrase().masks().isEmpty())
                .isPresent());
    }

    private Finding maskedNow(MaskedControl each) {
        String name =
                show.part(each.control()).map(part -> part.body().called()).orElse("");
        String target =
                show.part(each.target()).map(part -> part.body().called()).orElse("");
        return Accepting.marked(
                show,
                Finding.of(
                                FindingKind.MASKED,
                                each.control(),
                                "",
                                "“" + name + "” has no effect now: " + target + " says "
                                        + each.mask().address() + " "
                                        + each.mask().text(),
                                each.mask().address() + " " + each.mask().text())
                        .because(each.target()));
    }

    private Set<PartId> lookAtRig() {
        Map<PartId, List<Finding>> before = rig;
        rig = byPart(RigCheck.findings(show, facts));
        return differing(before, rig);
    }

    private static Map<PartId, List<Finding>> byPart(List<Finding> findings) {
        return findings.stream().collect(Collectors.groupingBy(Finding::about));
    }

    private static Set<PartId> differing(Map<PartId, List<Finding>> before, Map<PartId, List<Finding>> after) {
        return Stream.concat(before.keySet().stream(), after.keySet().stream())
                .filter(id -> !before.getOrDefault(id, List.of()).equals(after.getOrDefault(id, List.of())))
                .collect(Collectors.toCollection(HashSet::new));
    }

    private static boolean isLookedAt(Part part) {
        return Lined.isLined(part.body())
                || part.body() instanceof Twin
                || part.body() instanceof Phrase
                || part.body() instanceof Forward
                || part.body() instanceof CueList;
    }

    private static boolean isOfRig(Part part) {
        Body body = part.body();
        return body instanceof Host
                || body instanceof Target
                || body instanceof Phrasebook
                || body instanceof Acceptance;
    }

    // ---- what an edit can have changed

    private static Set<PartId> touched(Edit edit, Show before, Show next) {
        Set<PartId> touched = new LinkedHashSet<>();
        Set<PartId> books = new HashSet<>();
        Set<PartId> targets = new HashSet<>();
        for (Edit.Change change : edit.changes()) {
            touched.add(change.id());
            Stream.of(change.before(), change.after()).flatMap(Optional::stream).forEach(part -> {
                Body body = part.body();
                if (body instanceof Control) {
                    // it may be shown again, or be looked up by another one
                    next.referringTo(part.id())
                            .filter(other -> other.body() instanceof Twin || Lined.isLined(other.body()))
                            .forEach(other -> touched.add(other.id()));
                } else if (body instanceof NamedValue
                        || body instanceof Look
                        || body instanceof CueList
                        || body instanceof Track
                        || body instanceof SetList) {
                    next.referringTo(part.id()).forEach(other -> touched.add(other.id()));
                } else if (body instanceof Cue) {
                    part.parent().ifPresent(touched::add);
                } else if (body instanceof Laid || body instanceof Page || body instanceof Layout) {
                    next.referringTo(part.id())
                            .filter(other -> other.body() instanceof Acting)
                            .forEach(other -> touched.add(other.id()));
                    addLaidIn(next, part.id(), touched);
                } else if (body instanceof Forward) {
                    // a ring is one of several
                    next.all(Forward.class).forEach(other -> touched.add(other.id()));
                } else if (body instanceof Target) {
                    targets.add(part.id());
                } else if (body instanceof Phrase) {
                    part.parent().ifPresent(books::add);
                } else if (body instanceof Phrasebook) {
                    books.add(part.id());
                } else if (body instanceof Acceptance acceptance) {
                    touched.add(acceptance.about());
                }
            });
        }
        Stream.of(before, next).forEach(each -> {
            books.forEach(book -> each.referringTo(book)
                    .filter(part -> part.body() instanceof Target)
                    .forEach(part -> targets.add(part.id())));
            targets.forEach(target -> each.referringTo(target)
                    .filter(part -> Lined.isLined(part.body())
                            || part.body() instanceof Forward
                            || part.body() instanceof CueList)
                    .forEach(part -> touched.add(part.id())));
        });
        return touched;
    }

    private static void addLaidIn(Show show, PartId id, Set<PartId> touched) {
        show.children(id).forEach(child -> {
            touched.add(child.id());
            addLaidIn(show, child.id(), touched);
        });
    }

    // ---- before it is done

    /** What an edit would break: findings about lines that there are after it and not before it, the worst first. */
    public static List<Finding> arising(Show before, Edit edit, Show after) {
        List<Finding> arising = new ArrayList<>();
        for (PartId id : touched(edit, before, after)) {
            Set<String> there = before.part(id).stream()
                    .flatMap(part -> ofLines(before, part))
                    .map(Checks::fact)
                    .collect(Collectors.toSet());
            after.part(id).stream()
                    .flatMap(part -> ofLines(after, part))
                    .filter(finding -> !there.contains(fact(finding)))
                    .forEach(arising::add);
        }
        return arising.stream().sorted(WORST_FIRST).toList();
    }

    private static Stream<Finding> ofLines(Show show, Part part) {
        return Stream.of(
                        LineChecks.of(show, part),
                        ForwardChecks.of(show, part),
                        ChainChecks.of(show, part),
                        StepChecks.of(show, part))
                .flatMap(List::stream);
    }

    private static String fact(Finding finding) {
        return finding.kind() + " " + finding.facts();
    }
}
