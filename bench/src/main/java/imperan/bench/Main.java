package imperan.bench;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import org.openjdk.jmh.profile.GCProfiler;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Prints the measurements of this repository as ratios taken in one run: all of them, or those that are named. */
public final class Main {

    private static final Set<String> PARTS = new TreeSet<>(Set.of(
            "latency",
            "load",
            "trouble",
            "book",
            "page",
            "first",
            "edits",
            "growth",
            "cuegrowth",
            "checks",
            "codec",
            "wire",
            "proof",
            "cues",
            "firing"));
    private static final int CODEC_ROUNDS = 5;

    private Main() {}

    public static void main(String[] arguments) throws Exception {
        Set<String> wanted = arguments.length == 0 ? PARTS : Set.of(arguments);
        if (!PARTS.containsAll(wanted)) {
            throw new IllegalArgumentException("The measurements are " + String.join(", ", PARTS));
        }
        try (Stage stage = new Stage()) {
            if (wanted.contains("latency")) {
                Latency latency = new Latency(stage);
                latency.touchToDatagram();
                latency.answerToBatch();
                latency.fingerToEcho();
            }
            if (wanted.contains("load")) {
                Load load = new Load(stage);
                load.flood();
                load.browsers();
            }
            if (wanted.contains("wire")) {
                new Recorded(stage).minute();
            }
            if (wanted.contains("proof")) {
                new Proved(stage).besideABareLoop();
            }
            if (wanted.contains("cues")) {
                new CueTiming(stage).besideABareTimer();
            }
            if (wanted.contains("firing")) {
                new Firing(stage).besideGo();
            }
            if (wanted.contains("trouble")) {
                new Trouble(stage).beside();
            }
            if (wanted.contains("edits")) {
                new Beside(stage).largeEditBesideSmallOnes();
            }
            if (wanted.contains("page")) {
                new FullPage(stage).draw();
            }
            if (wanted.contains("first")) {
                new FirstPage(stage).shown();
            }
            if (wanted.contains("book")) {
                new LongBook(stage).takeInSearchAndScroll();
            }
        }
        if (wanted.contains("cuegrowth")) {
            new CueGrowth().print();
        }
        if (wanted.contains("growth")) {
            new Growth().print();
        }
        if (wanted.contains("checks")) {
            new CheckGrowth().print();
        }
        if (wanted.contains("codec")) {
            codec();
        }
        // threads of the libraries that were measured against may still run
        System.exit(0);
    }

    /** The machine is shared, so ours and theirs are measured in turn, several times, and the median ratio counts. */
    private static void codec() throws RunnerException {
        List<Collection<RunResult>> rounds = new ArrayList<>();
        for (int round = 0; round < CODEC_ROUNDS; round++) {
            rounds.add(new Runner(new OptionsBuilder()
                            .include(CodecBench.class.getSimpleName())
                            .forks(1)
                            .warmupIterations(3)
                            .warmupTime(TimeValue.seconds(1))
                            .measurementIterations(3)
                            .measurementTime(TimeValue.seconds(1))
                            .addProfiler(GCProfiler.class)
                            .verbosity(VerboseMode.SILENT)
                            .build())
                    .run());
        }
        System.out.println("Codec, one message with one float: medians of " + CODEC_ROUNDS + " rounds");
        for (String operation : new String[] {"encode", "decode"}) {
            double ours = median(rounds, r -> time(r, operation + "Ours"));
            double theirs = median(rounds, r -> time(r, operation + "Theirs"));
            double ratio = median(rounds, r -> time(r, operation + "Theirs") / time(r, operation + "Ours"));
            print(
                    "  %s: ours %.1f ns, %.0f B allocated; javaosc-core %.1f ns, %.0f B; ours is %.1f times as fast",
                    operation,
                    ours,
                    median(rounds, r -> garbage(r, operation + "Ours")),
                    theirs,
                    median(rounds, r -> garbage(r, operation + "Theirs")),
                    ratio);
        }
    }

    private static double median(List<Collection<RunResult>> rounds, ToDoubleFunction<Collection<RunResult>> value) {
        double[] sorted = rounds.stream().mapToDouble(value).sorted().toArray();
        return sorted[sorted.length / 2];
    }

    private static double time(Collection<RunResult> results, String method) {
        return result(results, method).getPrimaryResult().getScore();
    }

    private static double garbage(Collection<RunResult> results, String method) {
        return result(results, method).getSecondaryResults().entrySet().stream()
                .filter(entry -> entry.getKey().contains("alloc.rate.norm"))
                .findFirst()
                .orElseThrow()
                .getValue()
                .getScore();
    }

    private static RunResult result(Collection<RunResult> results, String method) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith("." + method))
                .findFirst()
                .orElseThrow();
    }

    static void print(String format, Object... values) {
        System.out.println(String.format(Locale.ROOT, format, values));
    }
}
