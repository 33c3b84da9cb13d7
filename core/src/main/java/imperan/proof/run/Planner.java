package imperan.proof.run;

import imperan.address.SlotAddress;
import imperan.check.Lined;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.live.Expectation;
import imperan.live.Gate;
import imperan.live.Line;
import imperan.live.LinkView;
import imperan.phrasebook.Vocabulary;
import imperan.progress.Progress;
import imperan.proof.report.Obstacle;
import imperan.proof.run.PlannedGroup.Turn;
import imperan.proof.run.PlannedLine.Way;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.NamedValue;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Decides what a proof says by itself, what only while somebody attends, and in which order. */
public final class Planner {

    /** What a question, or a line whose answer is asked for, takes where it is answered at once; and a line that is answered by itself. */
    private static final double ASKED_SECONDS = 0.08;

    private static final double TOLD_SECONDS = 0.02;
    /** At a venue, a step up and a step down. */
    private static final int VALUES_NEAR = 2;

    private final Show show;
    private final Conditions conditions;
    private final Map<PartId, LinkView> links;
    /** Of each target: what stands in the way of something, by its address. */
    private final Map<PartId, List<Silencing>> masks = new HashMap<>();

    /** @param text what the target says there meanwhile */
    private record Silencing(SlotAddress address, String text) {}

    private Planner(Show show, Conditions conditions, Collection<LinkView> links) {
        this.show = show;
        this.conditions = conditions;
        this.links = links.stream().collect(Collectors.toMap(LinkView::target, Function.identity()));
    }

    /** @param links of the running show */
    public static ProofPlan plan(Show show, Scope scope, Conditions conditions, Collection<LinkView> links) {
        return plan(show, scope, conditions, links, Progress.NONE);
    }

    /** @throws Progress.Cancelled where it is ended */
    public static ProofPlan plan(
            Show show, Scope scope, Conditions conditions, Collection<LinkView> links, Progress progress) {
        Planner planner = new Planner(show, conditions, links);
        List<TableLine> rows = LineTable.of(show).stream()
                .filter(line -> scope.holds(show, line))
                .toList();
        List<PlannedLine> lines = new ArrayList<>();
        for (TableLine row : rows) {
            progress.at(Progress.Stage.PLANNING, lines.size(), rows.size());
            lines.add(planner.line(row));
        }
        List<PlannedGroup> groups = planner.groups(lines);
        int messages = groups.stream().mapToInt(planner::messages).sum();
        List<PlannedListen> listens = PlannedListen.of(show).stream()
                .filter(listen -> scope.holds(show, listen))
                .toList();
        return new ProofPlan(show, conditions, lines, groups, listens, messages, planner.seconds(groups));
    }

    // ---- one line

    private PlannedLine line(TableLine row) {
        Control control = Lined.of(show.part(row.part()).orElseThrow().body())
                .orElseThrow()
                .asControl();
        Send send = NamedValue.inserted(show, control.sends().get(row.number() - 1));
        Optional<Target> target = send.target()
                .flatMap(show::part)
                .map(part -> part.body())
                .filter(Target.class::isInstance)
                .map(Target.class::cast);
        Vocabulary known = target.map(found -> Vocabulary.of(show, found)).orElse(Vocabulary.NONE);
        Optional<Phrase> phrase = known.said(send.address()).map(Vocabulary.Known::phrase);
        boolean standIn =
                target.flatMap(Target::standIn).filter(StandInEnd::inUse).isPresent();
        Probes probes = new Probes(row.part(), control, send, row.targetName(), phrase, standIn);
        boolean sweeps = phrase.filter(found -> found.proof().sweep()).isPresent();
        List<Line> says = standIn || sweeps ? probes.all() : List.of();
        Optional<Obstacle> never = never(
                target,
                send,
                standIn,
                says.isEmpty() && (standIn || probes.all().isEmpty()));
        Optional<Obstacle> because =
                never.or(() -> standIn ? atStandIn(phrase) : atVenue(send, target.orElseThrow(), phrase, known));
        Way way = never.isPresent() ? Way.SKIPPED : because.isPresent() ? Way.ATTENDED : Way.RUNS;
        List<Line> releases = send.on() != Send.Phase.PRESS
                ? List.of()
                : control.sends().stream()
                        .filter(other -> other.on() == Send.Phase.RELEASE
                                && other.target().equals(send.target()))
                        .map(other -> new Probes(
                                        row.part(),
                                        control,
                                        NamedValue.inserted(show, other),
                                        row.targetName(),
                                        Optional.empty(),
                                        standIn)
                                .released())
                        .toList();
        Expectation expected = Expectation.of(send.address(), known);
        return new PlannedLine(
                row.id(),
                Print.of(send, target.map(Target::asReached), phrase),
                row.part(),
                row.page(),
                row.label(),
                send.target(),
                row.targetName(),
                standIn,
                send,
                control.form(),
                releases,
                phrase,
                expected,
                way,
                because,
                way == Way.ATTENDED && says.isEmpty() ? probes.all() : says,
                silences(send));
    }

    private Optional<Obstacle> never(Optional<Target> target, Send send, boolean standIn, boolean saysNothing) {
        Optional<LinkView> link = send.target().map(links::get);
        if (target.isEmpty() || link.isEmpty()) {
            return Optional.of(Obstacle.NO_TARGET);
        } else if (link.get().gate() != Gate.OPEN) {
            return Optional.of(Obstacle.HELD);
        } else if (!link.get().socket().works()) {
            return Optional.of(Obstacle.NO_WAY_OUT);
        } else if (saysNothing) {
            return Optional.of(Obstacle.NOTHING_TO_SAY);
        }
        return standIn || conditions.cleared().contains(send.target().orElseThrow())
                ? Optional.empty()
                : Optional.of(Obstacle.NOT_CLEARED);
    }

    /** A stand-in hurts nobody; but what is dangerous is not said by itself even there, so that nobody is used to it. */
    private static Optional<Obstacle> atStandIn(Optional<Phrase> phrase) {
        return phrase.filter(known -> known.effect() == Phrase.Effect.DANGEROUS).map(known -> Obstacle.DANGEROUS);
    }

    private static Optional<Obstacle> atVenue(Send send, Target target, Optional<Phrase> phrase, Vocabulary known) {
        Phrase.Effect effect = phrase.map(Phrase::effect).orElse(Phrase.Effect.UNKNOWN);
        return switch (effect) {
            case UNKNOWN -> Optional.of(Obstacle.EFFECT_UNKNOWN);
            case EVENT -> Optional.of(Obstacle.EVENT);
            case TOGGLE -> Optional.of(Obstacle.TOGGLE);
            case DANGEROUS -> Optional.of(Obstacle.DANGEROUS);
            case VALUE -> {
                Expectation expected = Expectation.of(send.address(), known);
                boolean told = expected.isComing() || expected.isToldToOthersOnly();
                boolean readable = told
                        && target.answering() == Target.Answering.QUERIES
                        && expected.rule().says() == AnswerRule.Says.SAME;
                yield !readable
                        ? Optional.of(Obstacle.CANNOT_BE_READ)
                        : phrase.orElseThrow().proof().sweep() || hasSmallSteps(send, phrase.orElseThrow())
                                ? Optional.empty()
                                : Optional.of(Obstacle.NO_SMALL_STEP);
            }
        };
    }

    /** Whether all that varies is a number with values near the present one. */
    private static boolean hasSmallSteps(Send send, Phrase phrase) {
        List<ArgumentSource> varying = send.arguments().stream()
                .filter(argument -> !(argument instanceof ArgumentSource.Fixed))
                .toList();
        boolean choices = phrase.arguments().stream()
                .anyMatch(argument ->
                        argument.fixed().isEmpty() && !argument.choices().isEmpty());
        return !varying.isEmpty()
                && !choices
                && varying.stream()
                        .allMatch(argument -> argument instanceof ArgumentSource.Value value && isFine(value));
    }

    private static boolean isFine(ArgumentSource.Value value) {
        return switch (value.type()) {
            case FLOAT32, FLOAT64 -> true;
                // one of at least twenty
            case INT32, INT64 -> value.chain().range() * AtVenue.SHARE >= 1;
            case BOOLEAN, TEXT, COLOUR -> false;
        };
    }

    // ---- which go together, and when

    private List<PlannedGroup> groups(List<PlannedLine> lines) {
        List<PlannedLine> run =
                lines.stream().filter(line -> line.way() == Way.RUNS).toList();
        Map<String, List<PlannedLine>> byKey = new LinkedHashMap<>();
        Map<String, String> pressed = new HashMap<>();
        for (PlannedLine line : run) {
            String moved = line.target().orElseThrow() + " " + line.send().address();
            // what a press and its release move goes together, wherever each is said
            String key = line.releases().isEmpty() && line.send().on() != Send.Phase.RELEASE
                    ? moved
                    : pressed.computeIfAbsent(line.control() + " " + line.target(), k -> moved);
            byKey.computeIfAbsent(key, k -> new ArrayList<>()).add(line);
        }
        return byKey.values().stream()
                .map(together -> new PlannedGroup(together.get(0).target().orElseThrow(), together, turn(together)))
                .sorted(Comparator.comparing(PlannedGroup::turn))
                .toList();
    }

    private Turn turn(List<PlannedLine> together) {
        if (together.stream().anyMatch(line -> !line.setsValue())) {
            return Turn.EVENTS;
        }
        return together.stream().anyMatch(line -> !line.silences().isEmpty()) ? Turn.MASKS : Turn.VALUES;
    }

    /** What its target says while what this moves stands in the way of some phrase; empty where no phrase names it. */
    private List<String> silences(Send send) {
        return send.target().stream()
                .flatMap(to -> masks
                        .computeIfAbsent(to, target -> Vocabulary.of(show, target)
                                .phrases()
                                .flatMap(phrase -> phrase.masks().stream())
                                .map(mask -> new Silencing(SlotAddress.parseFreely(mask.address()), mask.text()))
                                .distinct()
                                .toList())
                        .stream())
                .filter(mask -> mask.address().match(send.address()).isPresent())
                .map(Silencing::text)
                .distinct()
                .toList();
    }

    // ---- how long it takes

    private int messages(PlannedGroup group) {
        return group.lines().stream()
                .mapToInt(line -> (times(line) + 2)
                                * (line.expected().isAsked() || line.expected().isToldToOthersOnly() ? 2 : 1)
                        + questions(line))
                .sum();
    }

    /** Whatever is said is asked for, each value and the last one once more. */
    private int questions(PlannedLine line) {
        boolean asks = line.expected().rule().says() == AnswerRule.Says.SAME
                && line.isAnswered()
                && !line.happensEachTime()
                && line.target()
                        .flatMap(show::part)
                        .filter(part ->
                                part.body() instanceof Target body && body.answering() == Target.Answering.QUERIES)
                        .isPresent();
        int values = line.runsAtVenue() && line.says().isEmpty()
                ? VALUES_NEAR
                : line.says().size();
        return asks ? times(line) + Math.min(times(line), values) + 1 : 0;
    }

    private int times(PlannedLine line) {
        return ProofRun.times(line, conditions);
    }

    private double seconds(List<PlannedGroup> groups) {
        Map<PartId, Double> atOnce = new HashMap<>();
        Map<PartId, Double> alone = new HashMap<>();
        Map<PartId, Integer> said = new HashMap<>();
        for (PlannedGroup group : groups) {
            double takes = group.lines().stream()
                    .mapToDouble(line -> (times(line) + 2)
                                    * (line.expected().isAsked()
                                                    || line.expected().isToldToOthersOnly()
                                            ? ASKED_SECONDS
                                            : TOLD_SECONDS)
                            + questions(line) * TOLD_SECONDS
                            + (line.setsValue()
                                    ? 0
                                    : line.expected().rule().finalSeconds().orElse(0.0))
                            + times(line) * line.rule().spacing().orElse(0.0))
                    .sum();
            (group.isAlone() || !group.lines().get(0).standIn() ? alone : atOnce)
                    .merge(group.target(), takes, Double::sum);
            said.merge(group.target(), messages(group), Integer::sum);
        }
        return said.keySet().stream()
                .mapToDouble(target -> Math.max(
                        alone.getOrDefault(target, 0.0) + atOnce.getOrDefault(target, 0.0) / ProofRun.MOST_AT_ONCE,
                        show.part(target)
                                .map(part -> ((Target) part.body()).messagesPerSecond())
                                .orElse(Optional.empty())
                                .map(pace -> said.get(target) / (double) pace)
                                .orElse(0.0)))
                .max()
                .orElse(0);
    }
}
