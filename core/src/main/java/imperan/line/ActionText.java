package imperan.line;

import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.cue.CueAction;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** What an action of a cue does, as one line of text for tables. */
public final class ActionText {

    private ActionText() {}

    /** Its delay first, where it has one. */
    public static String of(Show show, CueAction action) {
        String does;
        if (action instanceof CueAction.SayLine say) {
            does = (called(show, say.target()) + " " + say.address() + " " + said(show, say.arguments())).strip();
        } else if (action instanceof CueAction.FadeLine fade) {
            does = called(show, fade.target()) + " " + fade.address()
                    + fade.from().map(from -> " from " + number(from)).orElse("") + " to " + number(fade.to());
        } else if (action instanceof CueAction.BringControl bring) {
            does = called(show, bring.control()) + " to "
                    + bring.to().stream().map(to -> number(to * 100) + " %").collect(Collectors.joining(" "));
        } else if (action instanceof CueAction.RecallLook recall) {
            does = "look " + called(show, recall.look());
        } else if (action instanceof CueAction.ShowPage shows) {
            does = "page " + called(show, shows.page());
        } else if (action instanceof CueAction.SayStartList start) {
            does = "start list of " + called(show, start.target());
        } else if (action instanceof CueAction.HoldTarget hold) {
            does = (hold.hold() ? "hold " : "let go ") + called(show, hold.target());
        } else if (action instanceof CueAction.SteerTrack steer) {
            does = steer.deed().name().toLowerCase(Locale.ROOT) + " " + called(show, steer.track())
                    + steer.mark()
                            .map(mark -> ": " + called(show, Optional.of(mark)))
                            .orElse("");
        } else if (action instanceof CueAction.SteerSongs steer) {
            does = steer.deed().name().toLowerCase(Locale.ROOT).replace('_', ' ')
                    + steer.song()
                            .map(song -> ": " + called(show, Optional.of(song)))
                            .orElse("") + " of " + called(show, steer.set());
        } else {
            CueAction.SteerList steer = (CueAction.SteerList) action;
            does = steer.deed().name().toLowerCase(Locale.ROOT) + " " + called(show, steer.list());
        }
        return (action.delay() > 0 ? number(action.delay()) + " s later " : "")
                + does
                + (action.seconds() > 0 ? " in " + number(action.seconds()) + " s" : "");
    }

    private static String called(Show show, Optional<PartId> id) {
        return id.flatMap(show::part).map(part -> part.body().called()).orElse("nothing");
    }

    private static String said(Show show, List<ArgumentSource> arguments) {
        return arguments.stream()
                .map(source -> source instanceof ArgumentSource.Fixed fixed
                        ? fixed.text()
                        : source instanceof ArgumentSource.OfNamedValue named
                                ? called(show, named.value())
                                : source instanceof ArgumentSource.OfControl of
                                        ? "where "
                                                + called(show, of.control().filter(id -> show.part(id)
                                                        .filter(part -> part.body() instanceof Control)
                                                        .isPresent()))
                                                + " stands"
                                        : "what " + called(show, ((ArgumentSource.Said) source).target()) + " said on "
                                                + ((ArgumentSource.Said) source).address())
                .collect(Collectors.joining(" "));
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }
}
