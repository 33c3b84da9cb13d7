package imperan.live;

import imperan.phrasebook.Vocabulary;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.Forward;
import imperan.show.Grid;
import imperan.show.Layout;
import imperan.show.NamedValue;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** From edits to what runs: only what an edit changed is looked at, and what is in use and did not change is not disturbed. */
final class Following {

    private final LiveState state;
    private final Sending sending;
    private final Hands hands;
    private final Forwards forwards;
    private final Playing playing;
    private Show show = Show.empty();

    Following(LiveState state, Sending sending, Hands hands, Forwards forwards, Playing playing) {
        this.state = state;
        this.sending = sending;
        this.hands = hands;
        this.forwards = forwards;
        this.playing = playing;
    }

    /** The show that runs. */
    Show show() {
        return show;
    }

    /**
     * Follows the show to another version. What changes under a hand is let go first, with what its release sends.
     *
     * @param changes all that lead from the show that runs to the next one
     */
    void follow(Show next, Collection<Edit.Change> changes, long now) {
        state.because(Cause.Origin.EDIT, Actor.IMPERAN, now);
        Set<PartId> changed = withWhatLiesIn(next, changes);
        letGoOfChanged(next, changed, now);
        Set<LiveControl> fresh = new LinkedHashSet<>();
        Set<Listeners.Key> newlyHeard = new LinkedHashSet<>();
        changed.forEach(id -> control(next, id, fresh, newlyHeard));
        Set<PartId> otherwise = links(next, changed, changes, now);
        pages(next, changed);
        forwards(next, changed);
        namedValues(next, changed);
        playing.follow(next, changes, newlyHeard);
        if (!otherwise.isEmpty()) {
            state.controls.values().stream()
                    .filter(control -> !fresh.contains(control) && control.mentions(otherwise))
                    .forEach(fresh::add);
        }
        fresh.forEach(this::expect);
        show = next;
        for (Link link : newlyHeard.isEmpty() ? List.<Link>of() : state.links.values()) {
            if (link.state() == LinkState.ANSWERING && link.socket().works()) {
                sending.ask(
                        link,
                        newlyHeard.stream()
                                .filter(key -> key.target().equals(link.id()))
                                .map(Listeners.Key::address)
                                .toList());
            }
        }
        sending.flush();
    }

    /** Whether a part is played depends on what it lies in: with a layout that becomes a copy, or is one no more, all of it changes. */
    private static Set<PartId> withWhatLiesIn(Show next, Collection<Edit.Change> changes) {
        Set<PartId> changed = new LinkedHashSet<>();
        // in the order in which people see them, so that a show that is opened always runs in the same one
        for (Edit.Change change : changes.stream()
                .sorted(Comparator.comparingInt(Following::order).thenComparing(Edit.Change::id))
                .toList()) {
            changed.add(change.id());
            boolean holdsParts = change.after()
                    .map(Part::body)
                    .filter(body -> body instanceof Layout || Grid.of(body).isPresent())
                    .isPresent();
            boolean elsewhere =
                    !change.before().flatMap(Part::parent).equals(change.after().flatMap(Part::parent));
            if (holdsParts
                    && (change.before().isEmpty()
                            || elsewhere
                            || isDraft(change.before()) != isDraft(change.after()))) {
                addInside(next, change.id(), changed);
            }
        }
        return changed;
    }

    private static int order(Edit.Change change) {
        return change.after().or(change::before).map(Part::order).orElse(0);
    }

    private static boolean isDraft(Optional<Part> part) {
        return part.map(Part::body)
                .filter(body -> body instanceof Layout layout && layout.draft().isPresent())
                .isPresent();
    }

    private static void addInside(Show next, PartId parent, Set<PartId> changed) {
        next.children(parent).forEach(child -> {
            changed.add(child.id());
            addInside(next, child.id(), changed);
        });
    }

    /** Lets go of what an edit removes, puts into a copy in work, makes another control of, or gives other lines or another end to speak to. */
    private void letGoOfChanged(Show next, Set<PartId> changed, long now) {
        List<Link> leaving = new ArrayList<>();
        for (PartId id : changed) {
            Link link = state.links.get(id);
            Optional<Target> target = link == null ? Optional.empty() : target(next, id);
            if (link != null
                    && target.filter(t -> t.asReached().isReachedLike(link.target()))
                            .isEmpty()) {
                leaving.add(link);
            } else if (link != null
                    && !target.get().messagesPerSecond().equals(link.target().messagesPerSecond())) {
                sending.hurry(link);
            }
        }
        Set<PartId> gone = new HashSet<>();
        leaving.forEach(link -> gone.add(link.id()));
        hands.letGo(
                control -> control.speaksTo(gone)
                        || changed.contains(control.id)
                                && played(next, control.id)
                                        .filter(control.control::isPlayedLike)
                                        .isEmpty(),
                now);
        leaving.forEach(link -> sending.hurry(link));
        sending.flush();
    }

    private static Optional<Control> played(Show next, PartId id) {
        return next.part(id)
                .filter(part -> part.body() instanceof Control && !next.inDraft(part))
                .map(part -> (Control) part.body());
    }

    private static Optional<Target> target(Show next, PartId id) {
        return next.part(id).map(Part::body).filter(Target.class::isInstance).map(Target.class::cast);
    }

    private void control(Show next, PartId id, Set<LiveControl> fresh, Set<Listeners.Key> newlyHeard) {
        LiveControl old = state.controls.get(id);
        Optional<Control> body = played(next, id);
        if (body.isEmpty()) {
            if (old != null) {
                state.controls.remove(id);
                state.listeners.remove(old);
                state.groups.remove(id);
                state.paths.forget(id);
            }
            return;
        }
        LiveControl control = old == null
                ? new LiveControl(id, body.get())
                : old.control.equals(body.get()) ? old : new LiveControl(old, body.get());
        if (old == null) {
            state.listeners.add(control);
        } else if (control != old) {
            state.listeners.replace(old, control);
        }
        if (control != old) {
            state.controls.put(id, control);
            fresh.add(control);
            body.get().listens().stream()
                    .filter(listen -> old == null || !old.control.listens().contains(listen))
                    .forEach(listen -> listen.target()
                            .ifPresent(target -> newlyHeard.add(new Listeners.Key(target, listen.address()))));
            Listeners.said(body.get()
                            .sources()
                            .filter(source ->
                                    old == null || old.control.sources().noneMatch(source::equals)))
                    .forEach(newlyHeard::add);
            state.changed(control);
        }
        state.groups.put(control, next.part(id).flatMap(Part::parent).orElseThrow());
    }

    /** @return the targets of which something else is known than before */
    private Set<PartId> links(Show next, Set<PartId> changed, Collection<Edit.Change> changes, long now) {
        Set<PartId> books = new HashSet<>();
        for (Edit.Change change : changes) {
            for (Optional<Part> part : List.of(change.before(), change.after())) {
                part.filter(p -> p.body() instanceof Phrasebook).ifPresent(p -> books.add(p.id()));
                part.filter(p -> p.body() instanceof Phrase)
                        .flatMap(Part::parent)
                        .ifPresent(books::add);
            }
        }
        Set<PartId> otherwise = new HashSet<>();
        boolean rigChanged = false;
        for (PartId id : changed) {
            Optional<Target> body = target(next, id).map(Target::asReached);
            Link link = state.links.get(id);
            if (body.isEmpty() && link != null) {
                state.links.remove(id);
            } else if (body.isPresent() && link == null) {
                state.links.put(id, new Link(id, body.get(), state.due, now));
            } else if (body.isPresent() && !link.target().equals(body.get())) {
                describe(link, body.get(), now);
            } else {
                continue;
            }
            rigChanged = true;
            otherwise.add(id);
            state.happened(new LiveEvent.LinkChanged(now, state.cause(), id));
        }
        if (rigChanged) {
            // others may be claimed now
            state.strays.forget();
        }
        for (Link link : otherwise.isEmpty() && books.isEmpty() ? List.<Link>of() : state.links.values()) {
            if (otherwise.contains(link.id())
                    || link.target().phrasebook().filter(books::contains).isPresent()) {
                link.speaks(Phrasebook.spokenWith(next, link.target()), Vocabulary.of(next, link.target()));
                otherwise.add(link.id());
            }
        }
        return otherwise;
    }

    private void describe(Link link, Target body, long now) {
        LinkState before = link.state();
        link.describe(body, now);
        if (before == LinkState.ANSWERING && link.state() != before) {
            state.doubtValuesOf(link);
        }
        if (link.state() != before) {
            state.turned(link);
        }
    }

    private void pages(Show next, Set<PartId> changed) {
        for (PartId id : changed) {
            if (!state.controls.containsKey(id)) {
                state.listeners.unwatch(id);
                next.part(id)
                        .filter(part -> part.body() instanceof Page && !next.inDraft(part))
                        .flatMap(part -> ((Page) part.body()).follows())
                        .ifPresent(when -> state.listeners.watch(id, when));
            }
        }
    }

    private void forwards(Show next, Set<PartId> changed) {
        for (PartId id : changed) {
            next.part(id)
                    .map(Part::body)
                    .filter(Forward.class::isInstance)
                    .ifPresentOrElse(body -> forwards.put(id, (Forward) body), () -> forwards.remove(id));
        }
    }

    private void namedValues(Show next, Set<PartId> changed) {
        for (PartId id : changed) {
            next.part(id)
                    .map(Part::body)
                    .filter(NamedValue.class::isInstance)
                    .ifPresentOrElse(body -> state.lookUp.put(id, (NamedValue) body), () -> state.lookUp.remove(id));
        }
    }

    private void expect(LiveControl control) {
        if (control.expect(
                target -> target.map(state.links::get).map(Link::vocabulary).orElse(Vocabulary.NONE))) {
            state.changed(control);
        }
    }
}
