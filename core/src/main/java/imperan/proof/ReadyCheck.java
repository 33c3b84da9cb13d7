package imperan.proof;

import imperan.check.Finding;
import imperan.line.TableLine;
import imperan.live.ControlValue;
import imperan.live.Gate;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.TrackView;
import imperan.proof.report.Proved;
import imperan.show.Control;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.Track;
import imperan.show.song.Sound;
import imperan.show.song.TimeFrom;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** What is not ready before the doors open, from what is known anyway: nothing is sent for it. */
public final class ReadyCheck {

    /** What is looked at, in the order in which one would mend it. */
    public enum Question {
        /** Does every target answer? */
        ANSWERING,
        /** Is nothing held, silent or in rehearsal? */
        OPEN,
        /** Is every target spoken to at the venue, and none at its stand-in? */
        AT_VENUE,
        /** Was every start list sent since its target came? */
        STARTED,
        /** Is the sound of every track on this server, and does a device play it where the track is played here? */
        SOUNDING,
        /** Is every finding that stops the show mended or accepted? */
        FINDINGS,
        /** Is every line that is sent proved since it was changed last, at the end it is said to now? */
        PROVED,
        /** Was what each control said last answered? */
        ANSWERED
    }

    /**
     * Something that is not ready.
     *
     * @param about  the target, host, control or track
     * @param name   for people
     * @param detail what is so, in words where they are known here; for a sound that is not on this server its file name; else empty
     * @param link   for a target that does not answer: its link
     * @param proved for a line that is not proved: what its proof said; empty where there was none
     */
    public record Item(PartId about, String name, String detail, Optional<LinkView> link, Optional<Proved> proved) {
        Item(PartId about, String name, String detail, Optional<LinkView> link) {
            this(about, name, detail, link, Optional.empty());
        }
    }

    /** @param looked at so many things, of which {@code items} are not ready */
    public record Answer(Question question, int looked, List<Item> items) {
        public Answer {
            items = List.copyOf(items);
        }

        public boolean isReady() {
            return items.isEmpty();
        }

        /** How many of them were proved, and nobody knows whether that still holds: they did not fail. */
        public int grey() {
            return (int) items.stream()
                    .flatMap(item -> item.proved().stream())
                    .filter(Proved::wasGood)
                    .count();
        }
    }

    /**
     * What the running show and its server know at this moment.
     *
     * @param values of its controls
     * @param isHere whether the file of a sound is on this server
     */
    public record Now(
            Collection<LinkView> links,
            Collection<ControlValue> values,
            Collection<TrackView> tracks,
            Predicate<Sound> isHere) {}

    private final Show show;
    private final Now now;
    private final Map<PartId, LinkView> links;
    private final List<Part> targets;

    private ReadyCheck(Show show, Now now) {
        this.show = show;
        this.now = now;
        this.links = now.links.stream().collect(Collectors.toMap(LinkView::target, Function.identity()));
        this.targets = show.all(Target.class);
    }

    /**
     * All questions, with their answers.
     *
     * @param now      of the running show
     * @param findings all that the checks found, accepted ones too
     * @param lines    of all its pages
     * @param proved   what is known of those that were proved, by their names
     */
    public static List<Answer> of(
            Show show, Now now, List<Finding> findings, List<TableLine> lines, Map<String, Proved> proved) {
        ReadyCheck check = new ReadyCheck(show, now);
        return List.of(
                check.answering(),
                check.ofTargets(Question.OPEN, link -> link.gate() != Gate.OPEN),
                check.atVenue(),
                check.started(),
                check.sounding(),
                check.findings(findings),
                check.proved(lines, proved),
                check.answered());
    }

    private Answer answering() {
        return ofTargets(
                Question.ANSWERING,
                link -> !link.socket().works()
                        || link.state() != LinkState.ANSWERING
                                && link.state() != LinkState.SENDS_ONLY
                                // what was asked nothing yet, and speaks, is alive
                                && !(link.state() == LinkState.HEARD && link.unanswered() == 0));
    }

    private Answer started() {
        int with = (int) targets.stream()
                .filter(part -> !((Target) part.body()).startList().isEmpty())
                .count();
        return new Answer(
                Question.STARTED,
                with,
                ofTargets(Question.STARTED, LinkView::startOffered).items());
    }

    /** A track whose time comes from elsewhere may be heard there, too: then nobody has to play its sound here. */
    private Answer sounding() {
        List<Part> with = show.all(Track.class).stream()
                .filter(part -> ((Track) part.body()).sound().isPresent())
                .toList();
        Set<PartId> heard = now.tracks.stream()
                .filter(track -> track.speaker().isPresent())
                .map(TrackView::track)
                .collect(Collectors.toSet());
        List<Item> items = new ArrayList<>();
        for (Part part : with) {
            Track track = (Track) part.body();
            Sound sound = track.sound().orElseThrow();
            if (!now.isHere.test(sound)) {
                items.add(new Item(part.id(), track.name(), sound.fileName(), Optional.empty()));
            } else if (track.from().source() == TimeFrom.Source.OWN && !heard.contains(part.id())) {
                items.add(new Item(part.id(), track.name(), "", Optional.empty()));
            }
        }
        return new Answer(Question.SOUNDING, with.size(), items);
    }

    private Answer ofTargets(Question question, Function<LinkView, Boolean> isNotReady) {
        List<Item> items = new ArrayList<>();
        for (Part target : targets) {
            LinkView link = links.get(target.id());
            if (link != null && isNotReady.apply(link)) {
                items.add(new Item(target.id(), target.body().called(), "", Optional.of(link)));
            }
        }
        return new Answer(question, targets.size(), items);
    }

    private Answer atVenue() {
        return new Answer(
                Question.AT_VENUE,
                targets.size(),
                targets.stream()
                        .filter(part -> ((Target) part.body())
                                .standIn()
                                .filter(StandInEnd::inUse)
                                .isPresent())
                        .map(part -> new Item(part.id(), part.body().called(), "", Optional.empty()))
                        .toList());
    }

    /** How the links stand has questions of its own, and copies in work are not played. */
    private Answer findings(List<Finding> findings) {
        List<Finding> looked = findings.stream()
                .filter(finding -> !finding.kind().isOfNow()
                        && show.part(finding.about())
                                .filter(part -> !show.inDraft(part))
                                .isPresent())
                .toList();
        return new Answer(
                Question.FINDINGS,
                looked.size(),
                looked.stream()
                        .filter(Finding::stopsShow)
                        .map(finding ->
                                new Item(finding.about(), called(finding.about()), finding.text(), Optional.empty()))
                        .toList());
    }

    private Answer proved(List<TableLine> lines, Map<String, Proved> proved) {
        List<TableLine> sends = lines.stream()
                .filter(line -> line.kind() == TableLine.Kind.SEND
                        && show.part(line.part())
                                .filter(part -> !show.inDraft(part))
                                .isPresent())
                .toList();
        return new Answer(
                Question.PROVED,
                sends.size(),
                sends.stream()
                        .filter(line -> !proved.containsKey(line.id())
                                || !proved.get(line.id()).holds())
                        .map(line -> new Item(
                                line.part(),
                                line.label() + " on " + line.page(),
                                line.address(),
                                Optional.empty(),
                                Optional.ofNullable(proved.get(line.id()))))
                        .toList());
    }

    private Answer answered() {
        return new Answer(
                Question.ANSWERED,
                now.values.size(),
                now.values.stream()
                        .filter(ControlValue::unanswered)
                        .filter(value -> show.part(value.control()).isPresent())
                        .map(value -> new Item(
                                value.control(), called(value.control()), first(value.control()), Optional.empty()))
                        .toList());
    }

    private String called(PartId part) {
        return show.part(part).map(found -> found.body().called()).orElse("");
    }

    /** The address of its first send. */
    private String first(PartId control) {
        return show.part(control)
                .map(Part::body)
                .filter(Control.class::isInstance)
                .flatMap(body -> ((Control) body).sends().stream().findFirst())
                .map(send -> send.address())
                .orElse("");
    }
}
