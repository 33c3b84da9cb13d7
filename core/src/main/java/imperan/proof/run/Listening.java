package imperan.proof.run;

import imperan.live.Gate;
import imperan.live.Line;
import imperan.live.LinkState;
import imperan.live.LiveShow;
import imperan.osc.OscArgument;
import imperan.osc.OscText;
import imperan.proof.report.LineResult;
import imperan.proof.report.Restored;
import imperan.proof.report.Verdict;
import imperan.show.PartId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What comes, while a proof runs, on the addresses that are only listened to. */
final class Listening {

    private final List<PlannedListen> plan;
    private final Set<PartId> cleared;
    private final Map<String, List<OscArgument>> heard = new HashMap<>();

    /** @param cleared the targets whose venue end may be spoken to */
    Listening(List<PlannedListen> plan, Set<PartId> cleared) {
        this.plan = plan;
        this.cleared = cleared;
    }

    private static String place(PartId target, String address) {
        return target + " " + address;
    }

    /** What its targets said already. */
    void begin(LiveShow live) {
        plan.forEach(each -> live.said(each.target(), each.listen().address())
                .ifPresent(said -> heard(each.target(), each.listen().address(), said)));
    }

    /** The questions to be asked, each once: to targets that are there and understand them. */
    List<Line> questions(LiveShow live) {
        List<Line> questions = new ArrayList<>();
        for (PlannedListen each : plan) {
            Line question = new Line(
                    Optional.empty(),
                    0,
                    Optional.of(each.target()),
                    each.targetName(),
                    each.listen().address(),
                    List.of());
            boolean there = live.link(each.target())
                    .filter(link -> link.gate() == Gate.OPEN
                            && link.state() != LinkState.LOST
                            && link.state() != LinkState.PORT_CLOSED)
                    .isPresent();
            if (there
                    && (each.standIn() || cleared.contains(each.target()))
                    && each.asks()
                    && !heard.containsKey(place(each.target(), each.listen().address()))
                    && !questions.contains(question)) {
                questions.add(question);
            }
        }
        return questions;
    }

    void heard(PartId target, String address, List<OscArgument> said) {
        if (!said.isEmpty()) {
            heard.put(place(target, address), said);
        }
    }

    /** What came of each. */
    List<LineResult> results() {
        return plan.stream().map(this::result).toList();
    }

    private LineResult result(PlannedListen each) {
        Optional<List<OscArgument>> said =
                Optional.ofNullable(heard.get(place(each.target(), each.listen().address())));
        Verdict verdict = said.map(
                        arguments -> each.listen().argument() < arguments.size() ? Verdict.HEARD : Verdict.WRONG_TYPE)
                .orElse(Verdict.NOT_HEARD);
        return new LineResult(
                each.id(),
                each.print(),
                each.control(),
                each.page(),
                each.label(),
                Optional.of(each.target()),
                each.targetName(),
                each.standIn(),
                each.listen().address(),
                verdict,
                Optional.empty(),
                Optional.empty(),
                0,
                0,
                Optional.empty(),
                Optional.empty(),
                "",
                said.map(OscText::brief).orElse(""),
                Optional.empty(),
                List.of(),
                Restored.NOT_MOVED,
                Optional.empty());
    }
}
