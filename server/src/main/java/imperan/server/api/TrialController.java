package imperan.server.api;

import imperan.export.TrialCsv;
import imperan.server.socket.ShowSocket;
import imperan.server.trial.TrialWish;
import imperan.server.trial.Trials;
import imperan.show.PartId;
import imperan.trial.TrialReport;
import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Trials of cue lists: one is played through, and what came of it is told. */
@RestController
@RequestMapping("/api/shows/{show}/cues/{list}/trial")
class TrialController {

    private final Trials trials;
    private final ShowSocket socket;

    TrialController(Trials trials, ShowSocket socket) {
        this.trials = trials;
        this.socket = socket;
    }

    /** The names of the targets that the list speaks to at the venue. */
    @GetMapping("/venues")
    List<String> venues(@PathVariable("show") String show, @PathVariable("list") PartId list) {
        return trials.venues(show, list).stream()
                .map(part -> part.body().called())
                .toList();
    }

    @PostMapping
    ResponseEntity<ShowController.EditAnswer> begin(
            @PathVariable("show") String show,
            @PathVariable("list") PartId list,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody TrialWish wish) {
        return ShowController.done(trials.begin(show, list, wish, socket.actor(ShowController.browser(browser))));
    }

    @PostMapping("/stop")
    ResponseEntity<ShowController.EditAnswer> stop(
            @PathVariable("show") String show, @PathVariable("list") PartId list) {
        return ShowController.done(trials.stop(show, list));
    }

    /** The one that runs, or the last one since the start; nothing where there was none. */
    @GetMapping
    List<TrialView> report(@PathVariable("show") String show, @PathVariable("list") PartId list) {
        return trials.report(show, list).map(TrialView::of).stream().toList();
    }

    /**
     * One that the end of a server cut off.
     *
     * @param at  when it had begun, in milliseconds since 1970
     * @param cue the number of the cue at which it ended
     */
    record CutOff(String by, long at, String cue) {}

    /** Nothing where the last one was not cut off. */
    @GetMapping("/cut")
    List<CutOff> cut(@PathVariable("show") String show, @PathVariable("list") PartId list) {
        return trials.cut(show, list).stream()
                .map(cut -> new CutOff(cut.person(), cut.beganAt().toEpochMilli(), cut.cue()))
                .toList();
    }

    @GetMapping("/report.csv")
    ResponseEntity<byte[]> csv(@PathVariable("show") String show, @PathVariable("list") PartId list) {
        TrialReport report = trials.report(show, list)
                .orElseThrow(() -> new IllegalArgumentException("There was no trial of this list since the start"));
        return LineController.file(TrialCsv.write(report), LineController.CSV, "trial.csv");
    }
}
