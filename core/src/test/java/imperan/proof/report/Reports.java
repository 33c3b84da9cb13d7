package imperan.proof.report;

import imperan.live.Strength;
import imperan.proof.Rank;
import imperan.proof.Suspect;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/** Made-up reports. */
public final class Reports {

    private Reports() {}

    public static LineResult line(String name, Verdict verdict) {
        return new LineResult(
                name,
                "print of " + name,
                new PartId(name),
                "Sound",
                "Wheel <1> & \u0007Co",
                Optional.of(new PartId("desk")),
                "Bellows",
                true,
                "/in/" + name,
                verdict,
                verdict == Verdict.CONFIRMED ? Optional.of(Strength.READ_BACK) : Optional.empty(),
                Optional.empty(),
                12,
                8,
                Optional.of(1_500_000L),
                Optional.of(2_000_000L),
                "0.5",
                "\"a, b\"",
                verdict.fallsShort() ? Optional.of(Rank.LIKELY) : Optional.empty(),
                verdict.fallsShort() ? List.of(Suspect.LOSS) : List.of(),
                Restored.YES,
                Optional.empty());
    }

    /** One on which nothing was counted; the lines are those of the first that is named like theirs. */
    public static TargetFigures target(String name, TargetState state) {
        return TargetFigures.of(new PartId(name.equals("Bellows") ? "desk" : name), name, true, state, 0, 0, List.of());
    }

    public static Report of(LineResult... lines) {
        return of(List.of(), lines);
    }

    public static Report of(List<TargetFigures> targets, LineResult... lines) {
        return new Report(
                "The Salt Clock",
                7,
                1_795_000_000_000L,
                1_795_000_012_500L,
                "Ada",
                "all lines",
                false,
                List.of(lines),
                targets,
                Optional.empty());
    }
}
