package imperan.line;

import imperan.show.Body;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Track;
import imperan.show.TrackMark;
import imperan.track.FrameRate;
import imperan.track.Marker;
import imperan.track.Time;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;

/** Edits of tracks that take reckoning: where what is dropped lies, how far it is moved, and what markers of other programs become. */
public final class TrackEdit {

    /** By what something on a track is moved. */
    public enum By {
        MILLISECOND,
        FRAME,
        BEAT,
        /** To the nearest beat. */
        SNAP
    }

    /** What markers become. */
    public enum As {
        MARKS,
        CUES
    }

    private TrackEdit() {}

    private static Optional<Track> track(Show show, PartId id) {
        return show.part(id).map(Part::body).filter(Track.class::isInstance).map(Track.class::cast);
    }

    /** The track on which a part lies: a mark, or a cue of a list. */
    private static Optional<Track> trackOf(Show show, Part part) {
        return part.body() instanceof TrackMark
                ? part.parent().flatMap(id -> track(show, id))
                : part.parent()
                        .flatMap(show::part)
                        .filter(list -> list.body() instanceof CueList)
                        .flatMap(list -> ((CueList) list.body()).track())
                        .flatMap(id -> track(show, id));
    }

    /** To a millisecond, as it is shown. */
    private static double rounded(double seconds) {
        return Math.round(seconds * 1e3) / 1e3;
    }

    /**
     * Where a hand that dropped something meant it.
     *
     * @param playing whether the track was playing, so that the hand was late
     */
    private static double meant(Track track, double seconds, boolean playing) {
        return rounded(Math.max(0, Math.min(track.length(), playing ? seconds - track.reaction() : seconds)));
    }

    /** A cue that does nothing yet, at a time of the track on which its list lies, with a number between those that lie around it. */
    public static Outcome dropCue(Show show, PartId list, double seconds, boolean playing, PartId id, Person author) {
        Optional<Track> track = show.part(list)
                .filter(part -> part.body() instanceof CueList)
                .flatMap(part -> ((CueList) part.body()).track())
                .flatMap(on -> track(show, on));
        if (track.isEmpty()) {
            return Outcome.Refused.because("This cue list lies on no track: choose one for it first");
        }
        double at = meant(track.get(), seconds, playing);
        List<Part> cues = CueList.cues(show, list);
        Optional<String> number = number(cues, at);
        return number.isEmpty()
                ? Outcome.Refused.because("There is no number left between the cues around " + Time.text(at)
                        + ": renumber the list first")
                : show.apply(
                        new EditRequest(
                                "Drop cue " + number.get() + " at " + Time.text(at),
                                List.of(new EditRequest.Put(
                                        new Part(
                                                id,
                                                Optional.of(list),
                                                cues.size(),
                                                Cue.plain(number.get(), "").timed(at)),
                                        0))),
                        author);
    }

    /** Behind the last cue that lies before it; a cue 0 without a time stays the first. */
    private static Optional<String> number(List<Part> cues, double at) {
        Optional<Part> before = Optional.empty();
        for (Part part : cues) {
            Cue cue = (Cue) part.body();
            boolean isFirst = cue.at().isEmpty() && cue.decimal().signum() == 0;
            if (isFirst || cue.at().filter(time -> time <= at).isPresent()) {
                before = Optional.of(part);
            }
        }
        boolean timed = cues.stream().anyMatch(part -> ((Cue) part.body()).at().isPresent());
        // a list that was stepped by hand so far goes on at its end
        return CueEdit.between(cues, timed ? before : cues.stream().reduce((first, second) -> second));
    }

    /** A mark at a time of a track. */
    public static Outcome dropMark(Show show, PartId track, double seconds, boolean playing, PartId id, Person author) {
        Optional<Track> on = track(show, track);
        if (on.isEmpty()) {
            return Outcome.Refused.because("This track is no longer there");
        }
        double at = meant(on.get(), seconds, playing);
        int count = (int) show.children(track).count();
        return show.apply(
                new EditRequest(
                        "Drop a mark at " + Time.text(at),
                        List.of(new EditRequest.Put(
                                new Part(id, Optional.of(track), count, new TrackMark("Mark " + (count + 1), at, 0)),
                                0))),
                author);
    }

    /** Moves cues and marks on their tracks by so many milliseconds, frames or beats, or each to the nearest beat. What would leave its track stays at its start or end. */
    public static Outcome nudge(Show show, List<PartId> parts, By by, int count, Person author) {
        List<EditRequest.Step> steps = new ArrayList<>();
        for (PartId id : parts) {
            Optional<Held> held = show.held(id);
            Optional<Track> track = held.flatMap(found -> trackOf(show, found.part()));
            Optional<Double> at = held.flatMap(found -> time(found.part().body()));
            if (track.isEmpty() || at.isEmpty()) {
                return Outcome.Refused.because("What is to be moved lies on no track");
            } else if ((by == By.BEAT || by == By.SNAP) && track.get().beats().isEmpty()) {
                return Outcome.Refused.because("Nobody has said where the beats of “"
                        + track.get().name() + "” lie: tap or type its tempo first");
            }
            double end = held.get().part().body() instanceof TrackMark mark
                    ? track.get().length() - mark.length()
                    : track.get().length();
            double to = rounded(Math.max(0, Math.min(end, moved(track.get(), at.get(), by, count))));
            if (to != at.get()) {
                Part part = held.get().part();
                steps.add(new EditRequest.Put(
                        new Part(part.id(), part.parent(), part.order(), at(part.body(), to)),
                        held.get().version()));
            }
        }
        return steps.isEmpty()
                ? Outcome.Refused.because("It lies there already")
                : show.apply(new EditRequest(title(by, count, steps.size()), steps), author);
    }

    private static String title(By by, int count, int parts) {
        String what = parts == 1 ? "" : " " + parts + " cues and marks";
        return by == By.SNAP
                ? "Snap" + what + " to the beat"
                : "Move" + what + " by " + count + " "
                        + switch (by) {
                            case MILLISECOND -> "ms";
                            case FRAME -> "frames";
                            default -> "beats";
                        };
    }

    private static double moved(Track track, double at, By by, int count) {
        FrameRate rate = track.rate();
        return switch (by) {
            case MILLISECOND -> at + count / 1e3;
                // from where it is shown to lie
            case FRAME -> rate.seconds(rate.frame(at + rate.frameSeconds() / 2) + count);
            case BEAT -> at + count * track.beats().orElseThrow().beat();
            case SNAP -> track.beats().orElseThrow().nearest(at);
        };
    }

    private static Optional<Double> time(Body body) {
        return body instanceof TrackMark mark
                ? Optional.of(mark.at())
                : body instanceof Cue cue ? cue.at() : Optional.empty();
    }

    private static Body at(Body body, double seconds) {
        return body instanceof TrackMark mark
                ? new TrackMark(mark.name(), seconds, mark.length())
                : ((Cue) body).timed(seconds);
    }

    /** Each mark of a track becomes a section that ends where the next one begins, the last one at the end. */
    public static Outcome sections(Show show, PartId track, Person author) {
        Optional<Track> on = track(show, track);
        List<Held> marks = show.children(track)
                .filter(part -> part.body() instanceof TrackMark)
                .map(part -> show.held(part.id()).orElseThrow())
                .sorted(Comparator.comparingDouble(
                        held -> ((TrackMark) held.part().body()).at()))
                .toList();
        if (on.isEmpty() || marks.isEmpty()) {
            return Outcome.Refused.because("There is no mark on this track");
        }
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < marks.size(); i++) {
            TrackMark mark = (TrackMark) marks.get(i).part().body();
            double end = i + 1 < marks.size()
                    ? ((TrackMark) marks.get(i + 1).part().body()).at()
                    : on.get().length();
            TrackMark section = new TrackMark(mark.name(), mark.at(), rounded(end - mark.at()));
            if (!section.equals(mark)) {
                Part part = marks.get(i).part();
                steps.add(new EditRequest.Put(
                        new Part(part.id(), part.parent(), part.order(), section),
                        marks.get(i).version()));
            }
        }
        return steps.isEmpty()
                ? Outcome.Refused.because("They are sections already")
                : show.apply(new EditRequest("Make sections of the marks", steps), author);
    }

    /**
     * What markers of another program would become.
     *
     * @param request  one edit; empty where nothing would come of it
     * @param markers  those of which something would come
     * @param refusals markers that cannot be, each one sentence
     */
    public record Taken(Optional<EditRequest> request, List<Marker> markers, List<String> refusals) {}

    /**
     * Markers as marks of a track, or as cues of a list that lies on it; the cues get the next whole numbers, in the order of their times.
     *
     * @param list to which cues go
     * @param ids  a fresh one for each
     */
    public static Taken take(
            Show show, PartId track, As as, Optional<PartId> list, List<Marker> markers, Supplier<PartId> ids) {
        if (as == As.CUES && list.isEmpty()) {
            return new Taken(Optional.empty(), List.of(), List.of("Cues need a list to go to: choose one"));
        }
        double length = track(show, track).map(Track::length).orElse(0.0);
        List<Marker> taken = new ArrayList<>();
        List<EditRequest.Step> steps = new ArrayList<>();
        List<String> refusals = new ArrayList<>();
        List<Part> cues = list.map(id -> CueList.cues(show, id)).orElse(List.of());
        BigDecimal number = cues.stream()
                .map(part -> ((Cue) part.body()).decimal())
                .reduce(BigDecimal.ZERO, BigDecimal::max)
                .setScale(0, RoundingMode.DOWN);
        int order =
                (int) show.children(as == As.MARKS ? track : list.orElse(track)).count();
        for (Marker marker : markers) {
            double at = rounded(marker.seconds());
            double size = as == As.CUES || marker.length() < 0.05 ? 0 : rounded(marker.length());
            if (at + size > length) {
                refusals.add("“" + called(marker) + "” at " + Time.text(at) + (size > 0 ? " ends" : " lies")
                        + " behind the end of the track at " + Time.text(length));
                continue;
            }
            taken.add(marker);
            number = number.add(BigDecimal.ONE);
            Body body = as == As.MARKS
                    ? new TrackMark(marker.name(), at, size)
                    : Cue.plain(number.toPlainString(), marker.name()).timed(at);
            steps.add(new EditRequest.Put(
                    new Part(ids.get(), Optional.of(as == As.MARKS ? track : list.orElseThrow()), order++, body), 0));
        }
        return new Taken(
                steps.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new EditRequest(
                                "Import " + steps.size() + (as == As.MARKS ? " marks" : " cues"), steps)),
                taken,
                refusals);
    }

    private static String called(Marker marker) {
        return marker.name().isBlank() ? "a marker" : marker.name();
    }

    /** The marks of a track and the cues on it, as markers by their times. */
    public static List<Marker> markers(Show show, PartId track) {
        List<Marker> markers = new ArrayList<>();
        show.children(track)
                .filter(part -> part.body() instanceof TrackMark)
                .map(part -> (TrackMark) part.body())
                .forEach(mark -> markers.add(new Marker(mark.name(), mark.at(), mark.length())));
        Track.cues(show, track)
                .map(part -> (Cue) part.body())
                .forEach(cue -> markers.add(Marker.at(cue.at().orElseThrow(), cue.called())));
        markers.sort(Comparator.comparingDouble(Marker::seconds));
        return markers;
    }
}
