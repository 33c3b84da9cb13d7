package imperan.server.api;

import imperan.server.run.WatchNow;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.watch.Incident;
import imperan.words.WatchWords;
import java.util.List;
import java.util.Optional;

/**
 * What went wrong since the watch began, in words. Times are milliseconds since 1970.
 *
 * @param open how many of the incidents are not known to be over
 */
public record WatchView(double since, int links, int well, int open, List<IncidentView> incidents) {

    private static final double NANOS_OF_MILLI = 1e6;

    /**
     * @param name  of the target; empty where none is known
     * @param label of the control; empty where there is none
     * @param about the address, or who sent it
     * @param over  since when it is well again
     */
    public record IncidentView(
            Incident.Kind kind,
            String word,
            String says,
            Optional<PartId> target,
            String name,
            Optional<PartId> control,
            String label,
            String about,
            double first,
            double last,
            int count,
            Optional<Double> over) {
        static IncidentView of(Incident incident, Show show) {
            return new IncidentView(
                    incident.kind(),
                    WatchWords.word(incident.kind()),
                    WatchWords.says(incident),
                    incident.target(),
                    called(incident.target(), show),
                    incident.control(),
                    called(incident.control(), show),
                    incident.about(),
                    incident.first() / NANOS_OF_MILLI,
                    incident.last() / NANOS_OF_MILLI,
                    incident.count(),
                    incident.over().map(at -> at / NANOS_OF_MILLI));
        }

        private static String called(Optional<PartId> part, Show show) {
            return part.flatMap(show::part).map(found -> found.body().called()).orElse("");
        }
    }

    static WatchView of(WatchNow now, Show show) {
        // what was removed since cannot get well, and nobody can look after it
        List<Incident> incidents = now.incidents().stream()
                .filter(each -> isThere(each.target(), show) && isThere(each.control(), show))
                .toList();
        return new WatchView(
                now.since() / NANOS_OF_MILLI,
                now.links(),
                now.well(),
                (int) incidents.stream().filter(each -> each.over().isEmpty()).count(),
                incidents.stream().map(each -> IncidentView.of(each, show)).toList());
    }

    private static boolean isThere(Optional<PartId> part, Show show) {
        return part.map(id -> show.part(id).isPresent()).orElse(true);
    }
}
