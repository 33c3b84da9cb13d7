package imperan.live;

import imperan.address.SlotAddress;
import imperan.phrasebook.Vocabulary;
import imperan.show.Listen;
import imperan.show.Mask;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Reads off the running show what it has seen of a line or of a target. It changes nothing. */
final class Observing {

    private final LiveState state;

    Observing(LiveState state) {
        this.state = state;
    }

    /** Of a control, as it was used last; empty where nothing is known that it says to any target. */
    Optional<Observed> control(LiveControl control, long now) {
        Optional<Trace> path = state.paths.trace(control.id);
        Optional<Line> line = path.flatMap(Trace::line);
        Optional<PartId> target = line.flatMap(Line::target).or(() -> control.control.sends().stream()
                .flatMap(send -> send.target().stream())
                .findFirst());
        return target.map(state.links::get)
                .map(link -> observed(
                        link,
                        link.lane().holds(control.id),
                        line,
                        path,
                        awaitedOn(Optional.of(control), link, line),
                        now));
    }

    /** Of a line. */
    Observed line(Line line, Link link, long now) {
        Optional<LiveControl> control = line.control().map(state.controls::get);
        return observed(
                link,
                control.filter(found -> link.lane().holds(found.id)).isPresent(),
                Optional.of(line),
                control.flatMap(found -> state.paths.trace(found.id))
                        // the control may have said something else since
                        .filter(path -> path.line()
                                .filter(last -> last.address().equals(line.address())
                                        && last.target().equals(line.target()))
                                .isPresent()),
                awaitedOn(control, link, Optional.of(line)),
                now);
    }

    /** Of a target as a whole. */
    Observed target(Link link, long now) {
        return observed(link, false, Optional.empty(), Optional.empty(), "", now);
    }

    /** The address on which its answer comes: one on which it is missing, where there are several. */
    private static String awaitedOn(Optional<LiveControl> control, Link link, Optional<Line> line) {
        Set<String> addresses = new LinkedHashSet<>();
        line.map(Line::address).ifPresent(said -> {
            Expectation.of(said, link.vocabulary()).address().ifPresent(addresses::add);
            control.stream()
                    .flatMap(found -> found.control.listens().stream())
                    .filter(listen -> listen.target().filter(link.id()::equals).isPresent())
                    .map(Listen::address)
                    .forEach(addresses::add);
            addresses.add(said);
        });
        return addresses.stream()
                .filter(link.answerLog()::isMissing)
                .findFirst()
                .or(() -> addresses.stream().findFirst())
                .orElse("");
    }

    private static Observed observed(
            Link link, boolean waiting, Optional<Line> line, Optional<Trace> path, String awaitedOn, long now) {
        return new Observed(
                now,
                link.view(),
                waiting,
                line,
                path,
                link.answerLog().seen(awaitedOn),
                link.arrivals(),
                link.counts().busiest(now),
                line.map(said -> masks(said, link)).orElse(List.of()));
    }

    boolean isMasked(Line line, Link link) {
        return !masks(line, link).isEmpty();
    }

    /** What stands in the way of the first of its sends in whose way anything does. */
    Optional<MaskedControl> masked(LiveControl control) {
        return control.control.sends().stream()
                .flatMap(send -> send.target().map(state.links::get).stream()
                        .flatMap(link -> link.vocabulary().said(send.address()).stream()
                                .flatMap(known -> standing(known, link.lastSaid()).stream())
                                .map(mask -> new MaskedControl(control.id, link.id(), mask))))
                .findFirst();
    }

    private static List<Observed.StandingMask> masks(Line line, Link link) {
        return link.vocabulary()
                .said(line.address())
                .map(known -> standing(known, link.lastSaid()))
                .orElse(List.of());
    }

    /** The masks of a phrase that stand, as the target said it last. */
    private static List<Observed.StandingMask> standing(Vocabulary.Known known, LastSaid lastSaid) {
        List<Observed.StandingMask> standing = new ArrayList<>();
        for (Mask mask : known.phrase().masks()) {
            SlotAddress where = SlotAddress.parseFreely(mask.address());
            String own = where.fill(known.numbers());
            if (mask.elsewhere()) {
                lastSaid.all().forEach((address, said) -> {
                    if (!address.equals(own) && where.match(address).isPresent() && stands(mask, said)) {
                        standing.add(new Observed.StandingMask(address, mask.text(), said.at()));
                    }
                });
            } else {
                lastSaid.at(own)
                        .filter(said -> stands(mask, said))
                        .ifPresent(said -> standing.add(new Observed.StandingMask(own, mask.text(), said.at())));
            }
        }
        return standing;
    }

    private static boolean stands(Mask mask, LastSaid.Said said) {
        return mask.argument() < said.arguments().size()
                && Spelling.means(said.arguments().get(mask.argument()), mask.text());
    }
}
