package imperan.live;

import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.KeepAlive;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Choice;
import imperan.show.form.Colour;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Pad;
import imperan.show.form.TextLine;
import imperan.show.form.Wheel;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.zip.GZIPOutputStream;

/**
 * A long evening at a desk, made from a seed: hands, commands, edits, sockets, and targets that answer well, badly or not at all. What leaves is noted as
 * lines of text, so that two states of the code can be compared message by message. What happens does not depend on what left, but for the answers.
 *
 * <p>What comes of time (keep-alives, repeats, questions) may leave some milliseconds earlier or later without being another evening. So hands and commands
 * never come at full hundredths of a second, answers come a whole number of hundredths after the next full one, and lines tell what time has caused from
 * what a hand has.
 */
final class Evening extends QuietSink {

    static final long MS = 1_000_000L;
    private static final long START = 1_000_000 * MS;
    /** How often what is due was done when the evening was recorded. */
    private static final long STEP = 10 * MS;

    private static final PartId LAYOUT = new PartId("layout");
    private static final PartId PAGE = new PartId("page");
    private static final PartId BOOK = new PartId("book");
    private static final List<Person> PEOPLE =
            List.of(new Person("b1", "Ada"), new Person("b2", "Ben"), new Person("b3", "Cleo"));
    private static final int CONTROLS = 72;
    /** What is edited, the more often the more it stands here: most controls are there and have lines at any time. */
    private static final int[] KINDS = {0, 1, 1, 1, 1, 2, 2, 3, 4, 5, 6, 7, 7, 8, 8, 8};

    /** The targets; a pace makes the moments at which messages leave free, so those are compared in another way. */
    private enum Habit {
        DESK(0),
        LIGHTS(50),
        WATER(0),
        VIDEO(0),
        ENGINE(0),
        FOG(20);

        final int pace;

        Habit(int pace) {
            this.pace = pace;
        }

        PartId id() {
            return new PartId(name().toLowerCase());
        }

        int port() {
            return 7001 + ordinal();
        }

        int ourPort() {
            return 9001 + ordinal();
        }
    }

    private record Happening(long at, long order, Runnable what) {}

    private final Random random;
    private final long length;
    private final LiveShow live = new LiveShow(this);
    private final PriorityQueue<Happening> happenings =
            new PriorityQueue<>(Comparator.comparingLong(Happening::at).thenComparingLong(Happening::order));
    private final List<String> lines = new ArrayList<>();
    private final Map<String, Integer> answers = new TreeMap<>();
    private final Map<String, List<OscArgument>> told = new TreeMap<>();
    private final Map<String, String> lastOf = new TreeMap<>();
    private final List<Edit> edits = new ArrayList<>();
    private Show show;
    private long orders;
    private long now = START;
    private boolean timePasses;

    private Evening(long seed, int seconds) {
        random = new Random(seed);
        length = seconds * 1_000L * MS;
        show = ground();
    }

    /** What leaves in an evening of that seed and length. */
    static List<String> lines(long seed, int seconds) {
        Evening evening = new Evening(seed, seconds);
        evening.play();
        return evening.lines;
    }

    /** Records an evening into a file: {@code Evening FILE SEED SECONDS}. */
    public static void main(String[] arguments) throws IOException {
        try (Writer file = new OutputStreamWriter(
                new GZIPOutputStream(Files.newOutputStream(Path.of(arguments[0]))), StandardCharsets.UTF_8)) {
            for (String line : lines(Long.parseLong(arguments[1]), Integer.parseInt(arguments[2]))) {
                file.write(line + "\n");
            }
        }
    }

    // ---- the show

    private static Show ground() {
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(put(BOOK, null, 0, new Phrasebook("Water", Phrasebook.LinkSheet.unknown())));
        steps.add(put(new PartId("told"), BOOK, 0, phrase("/w/<n:0..99>/v", AnswerRule.usual(AnswerRule.Kind.QUERY))));
        steps.add(put(
                new PartId("untold"), BOOK, 1, phrase("/w/<n:0..99>/press", AnswerRule.usual(AnswerRule.Kind.NONE))));
        for (Habit habit : Habit.values()) {
            steps.add(put(habit.id(), null, habit.ordinal(), target(habit)));
        }
        steps.add(put(LAYOUT, null, 0, Layout.plain("Layout")));
        steps.add(put(PAGE, LAYOUT, 0, Page.plain("Page", 12, 6)));
        for (int i = 0; i < CONTROLS; i++) {
            steps.add(put(control(i), PAGE, i, body(i)));
        }
        return ((Outcome.Accepted) Show.empty().apply(new EditRequest("Build", steps), PEOPLE.get(0))).show();
    }

    private static Target target(Habit habit) {
        Target plain = Target.plain(
                habit.name(),
                "10.0.0." + (habit.ordinal() + 1),
                habit.port(),
                habit.ourPort(),
                switch (habit) {
                    case VIDEO -> Target.Answering.NONE;
                    case WATER -> Target.Answering.QUERIES;
                    default -> Target.Answering.REPORTS;
                });
        return switch (habit) {
            case DESK -> plain.kept(KeepAlive.of("/d/alive", 2, 5))
                    .startingWith(List.of("/d/ready 1", "/d/name \"Evening\""));
            case LIGHTS -> plain.paced(habit.pace);
            case WATER -> plain.speaking(BOOK);
            case VIDEO -> plain.bundling();
            case ENGINE -> plain;
            case FOG -> plain.paced(habit.pace).bundling();
        };
    }

    private static PartId control(int i) {
        return new PartId("c%02d".formatted(i));
    }

    private static Habit habit(int i) {
        return Habit.values()[i % Habit.values().length];
    }

    private static String root(int i) {
        return "/" + habit(i).name().toLowerCase().charAt(0) + "/" + i;
    }

    private static Control body(int i) {
        Habit habit = habit(i);
        Optional<PartId> target = Optional.of(habit.id());
        Form form = form(i);
        List<Send> sends = new ArrayList<>();
        List<Listen> listens = new ArrayList<>();
        List<ArgumentSource> values = new ArrayList<>();
        for (int axis = 0; axis < form.axes(); axis++) {
            values.add(new ArgumentSource.Value(
                    axis == 0 && i % 5 == 0 ? ArgumentType.INT32 : ArgumentType.FLOAT32,
                    i % 4 == 0 ? -60 : 0,
                    i % 4 == 0 ? 10 : 1,
                    axis));
            listens.add(Listen.value(target, root(i) + "/v", axis, i % 4 == 0 ? -60 : 0, i % 4 == 0 ? 10 : 1, axis));
        }
        if (form instanceof TextLine) {
            values = List.of(new ArgumentSource.Typed(ArgumentType.TEXT));
            listens.clear();
        } else if (form instanceof Choice) {
            values = List.of(new ArgumentSource.Chosen(ArgumentType.TEXT));
            listens.clear();
        } else if (form instanceof Wheel) {
            sends.add(new Send(
                    Send.Phase.STEP,
                    target,
                    root(i) + "/step",
                    List.of(new ArgumentSource.Steps(ArgumentType.INT32, 1))));
        }
        sends.add(new Send(Send.Phase.CHANGE, target, root(i) + "/v", values));
        if (i % 5 < 2) {
            sends.add(new Send(
                    Send.Phase.PRESS,
                    target,
                    root(i) + "/press",
                    List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1"))));
            sends.add(new Send(
                    Send.Phase.RELEASE,
                    target,
                    root(i) + "/release",
                    List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "0"))));
        }
        if (i % 7 == 0) {
            sends.add(new Send(
                    Send.Phase.HELD,
                    target,
                    root(i) + "/held",
                    List.of(new ArgumentSource.Fixed(ArgumentType.TEXT, "still"))));
        }
        if (i % 9 == 4) {
            // the same hand speaks to a second machine
            sends.add(new Send(
                    Send.Phase.CHANGE,
                    Optional.of(Habit.DESK.id()),
                    "/d/also/" + i,
                    List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 1, 0))));
        }
        Behaviour.Guard guard =
                i % 11 == 3 ? Behaviour.Guard.HOLD : i % 13 == 5 ? Behaviour.Guard.TWO_STEPS : Behaviour.Guard.NONE;
        Behaviour.WhenLost lost =
                new Behaviour.WhenLost(i % 4 == 0 ? Behaviour.WhenLost.Goes.REST : Behaviour.WhenLost.Goes.NOWHERE, 0);
        Optional<Behaviour.Condition> when = i % 17 == 2
                ? Optional.of(new Behaviour.Condition(Optional.of(Habit.DESK.id()), "/d/ready", 0, "1"))
                : Optional.empty();
        return Control.plain("C" + i, new Cells(i % 12, i / 12, 1, 1), form, sends, listens)
                .behaving(new Behaviour(guard, 0.2, lost, when, ""));
    }

    private static Form form(int i) {
        return switch (i % 12) {
            case 0 -> Fader.restingAt(Form.Direction.UP, Form.Grab.RELATIVE, 0.25);
            case 1 -> Button.plain(Button.Action.MOMENTARY);
            case 2 -> Fader.plain(Form.Direction.RIGHT, Form.Grab.JUMP);
            case 3 -> new Button(Button.Action.LATCHING, i > 36 ? "one of" : "");
            case 4 -> new Knob(Optional.of(0.5), i > 36, 0.5);
            case 5 -> new Pad(Form.Grab.JUMP, i > 36);
            case 6 -> new Colour(List.of("#ff0000", "#0080ff"));
            case 7 -> Button.plain(Button.Action.ONE_SHOT);
            case 8 -> new Wheel(24);
            case 9 -> new Choice(
                    List.of(new Choice.Option("A", "a"), new Choice.Option("B", "b"), new Choice.Option("C", "c")),
                    Form.Direction.UP);
            case 10 -> new TextLine();
            default -> new Fader(Form.Direction.UP, Form.Grab.RELATIVE, Optional.of(0.5), true, 0.5, List.of());
        };
    }

    private static Phrase phrase(String address, AnswerRule rule) {
        return Phrase.plain(
                address,
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.empty(), Optional.empty(), "", List.of(), Optional.empty())),
                rule,
                "",
                "");
    }

    private static EditRequest.Step put(PartId id, PartId parent, int order, Body body) {
        return new EditRequest.Put(new Part(id, Optional.ofNullable(parent), order, body), 0);
    }

    // ---- what happens

    private void play() {
        live.load(show, now);
        for (Habit habit : Habit.values()) {
            live.socket(habit.id(), SocketState.open("10.0.0.99"), now);
        }
        people();
        machines();
        changes();
        long end = START + length - STEP;
        while (Math.min(
                        live.nextDue(),
                        happenings.isEmpty() ? end : happenings.peek().at())
                <= end) {
            if (happenings.isEmpty() || live.nextDue() <= happenings.peek().at()) {
                now = Math.max(now, live.nextDue());
                timePasses = true;
                live.takeDue(now);
                timePasses = false;
            } else {
                Happening next = happenings.poll();
                now = next.at();
                next.what().run();
            }
        }
    }

    /** At a moment that is no full hundredth of a second. */
    private void at(long millis, Runnable what) {
        happenings.add(new Happening(START + (millis % 10 == 0 ? millis + 1 : millis) * MS, orders++, what));
    }

    private long end() {
        return length / MS;
    }

    private void people() {
        for (int who = 0; who < PEOPLE.size(); who++) {
            Person person = PEOPLE.get(who);
            long deaf = 40_000 + who * 31_000L;
            for (long t = 5; t < end(); t += 500) {
                // once each browser is not heard for a while, and its fingers are lifted
                if (t < deaf || t > deaf + 4_000) {
                    at(t, () -> live.heartbeat(person.id(), now));
                }
            }
            for (long t = 500 + who * 37L; t < end(); t += between(100, 700)) {
                t = gesture(person, random.nextInt(CONTROLS), t);
                // every quarter of a minute everybody rests, and what stands then is noted
                t += t % 15_000 > 12_500 ? 15_000 - t % 15_000 + 200 : 0;
            }
        }
        for (long t = 14_995; t < end(); t += 15_000) {
            at(t, this::note);
        }
    }

    private long between(int least, int most) {
        return least + random.nextInt(most - least);
    }

    private long gesture(Person person, int control, long from) {
        Form form = form(control);
        long t = from;
        double x = random.nextDouble();
        double y = random.nextDouble();
        if (form instanceof TextLine) {
            String words = "line " + random.nextInt(100);
            at(t, () -> touch(person, control, Touch.Phase.TYPE, 0, 0, words));
            return t;
        }
        // values of which some are left out follow each other at any distance, also at that after which a target is
        // asked
        int kind = habit(control) == Habit.WATER && (form instanceof Wheel || control % 5 == 0) ? 4 : random.nextInt(8);
        if (kind == 0) {
            at(t, () -> touch(person, control, Touch.Phase.REST, 0.5, 0.5, ""));
            return t;
        } else if (kind == 1) {
            at(t, () -> touch(person, control, Touch.Phase.SET, 0.5, y, ""));
            at(t += 250, () -> touch(person, control, Touch.Phase.RELEASE, 0.5, y, ""));
            return t;
        } else if (kind == 2) {
            for (int i = 0; i < 4; i++) {
                at(t += 70, () -> touch(person, control, Touch.Phase.STEP, 0, x < 0.5 ? 0.05 : -0.05, ""));
            }
            at(t += 70, () -> touch(person, control, Touch.Phase.RELEASE, 0.5, y, ""));
            return t;
        } else if (kind == 3 && form instanceof Colour) {
            at(t, () -> touch(person, control, Touch.Phase.PICK, 0, random.nextInt(3), ""));
            return t;
        } else if (kind == 4) {
            for (int i = 0; i < 2; i++) {
                at(t += 80, () -> touch(person, control, Touch.Phase.PRESS, 0.5, 0.5, ""));
                at(t += 50, () -> touch(person, control, Touch.Phase.RELEASE, 0.5, 0.5, ""));
            }
            return t;
        }
        at(t, () -> touch(person, control, Touch.Phase.PRESS, x, y, ""));
        // a hold of an odd number of half repeats, so that no repeat stands at its end
        int holds = 1 + random.nextInt(5);
        long release = t + 700 + holds * 200L;
        double towards = random.nextDouble();
        // closer together than the time after which a target is asked what became of a value
        int moves = (int) (release - t) / (15 + random.nextInt(35));
        for (int i = 1; i <= moves; i++) {
            double share = i / (double) moves;
            long after = (release - t) * i / (moves + 1);
            // none while it is just decided whether a hand held still for long enough
            at(
                    t + (after >= 590 && after < 615 ? 620 : after),
                    () -> touch(
                            person,
                            control,
                            Touch.Phase.MOVE,
                            x + (towards - x) * share,
                            y + (towards - y) * share * 1.3,
                            ""));
        }
        boolean cancels = random.nextInt(12) == 0;
        at(
                release,
                () -> touch(person, control, cancels ? Touch.Phase.CANCEL : Touch.Phase.RELEASE, towards, towards, ""));
        return release;
    }

    private void touch(Person person, int control, Touch.Phase phase, double x, double y, String words) {
        Asking.touch(live, new Touch(control(control), "1", phase, x, y, false, words), person, now);
    }

    /** Sockets, gates, commands, and what targets say by themselves. */
    private void machines() {
        for (long t = 3_000; t < end(); t += between(200, 900)) {
            int control = random.nextInt(CONTROLS);
            float value = random.nextFloat();
            at(t, () -> arrives(habit(control), OscMessage.of(root(control) + "/v", new OscArgument.Float32(value))));
        }
        at(4_000, () -> arrives(Habit.DESK, OscMessage.of("/d/ready", new OscArgument.Int32(1))));
        for (long t = 7_000; t < end(); t += between(3_000, 9_000)) {
            Habit habit = Habit.values()[random.nextInt(Habit.values().length)];
            int control = random.nextInt(CONTROLS);
            switch (random.nextInt(9)) {
                case 0 -> {
                    at(t, () -> Asking.gate(live, habit.id(), Gate.HELD, now));
                    at(t + 1_700, () -> Asking.gate(live, habit.id(), Gate.OPEN, now));
                }
                case 1 -> {
                    at(t, () -> Asking.gateAll(live, Gate.REHEARSING, now));
                    at(t + 900, () -> Asking.gateAll(live, Gate.OPEN, now));
                }
                case 2 -> at(t, () -> Asking.testFire(live, control(control), 0, now));
                case 3 -> at(t, () -> Asking.start(live, Habit.DESK.id(), now));
                case 4 -> at(
                        t,
                        () -> Asking.rest(
                                live,
                                live.controls().stream().sorted().limit(20).toList(),
                                PEOPLE.get(1),
                                now));
                case 5 -> at(t, () -> Asking.refresh(live, habit.id(), now));
                case 6 -> at(t, () -> Asking.say(live, habit.id(), "/said/once \"by hand\"", now));
                case 7 -> {
                    at(t, () -> live.socket(habit.id(), SocketState.taken("another program has the port"), now));
                    at(t + 2_300, () -> live.socket(habit.id(), SocketState.open("10.0.0.99"), now));
                }
                default -> at(t, () -> live.portClosed(habit.id(), now));
            }
        }
    }

    private void changes() {
        for (long t = 5_000; t < end(); t += between(1_500, 4_000)) {
            int control = random.nextInt(CONTROLS);
            int kind = KINDS[random.nextInt(KINDS.length)];
            int number = random.nextInt(1_000);
            at(t, () -> edit(kind, control, number));
        }
    }

    private void edit(int kind, int control, int number) {
        Optional<Held> held = show.held(control(control));
        switch (kind) {
            case 0 -> held.ifPresentOrElse(
                    there -> apply(new EditRequest.Remove(there.part().id(), there.version())),
                    () -> apply(put(control(control), PAGE, control, body(control))));
            case 1 -> held.ifPresent(there -> change(there, body(control).labelled("L" + number)));
            case 2 -> held.ifPresent(there -> {
                Control body = (Control) there.part().body();
                change(
                        there,
                        body.withLines(
                                body.sends().stream()
                                        .map(send -> send.on() == Send.Phase.CHANGE
                                                        && send.arguments().get(0) instanceof ArgumentSource.Value value
                                                ? send.saying(List.of(
                                                        new ArgumentSource.Value(value.type(), 0, number + 1, 0)))
                                                : send)
                                        .toList(),
                                body.listens()));
            });
            case 3 -> change(
                    show.held(Habit.LIGHTS.id()).orElseThrow(),
                    target(Habit.LIGHTS).paced(30 + number % 60));
            case 4 -> change(
                    show.held(Habit.ENGINE.id()).orElseThrow(),
                    target(Habit.ENGINE).at("10.0.0." + (100 + number % 50), Habit.ENGINE.port()));
            case 5 -> change(
                    show.held(new PartId("told")).orElseThrow(),
                    phrase(
                            "/w/<n:0..99>/v",
                            AnswerRule.usual(number % 2 == 0 ? AnswerRule.Kind.QUERY : AnswerRule.Kind.SAME)
                                    .near(0.01)
                                    .within(0.3 + number / 2_000.0)));
            case 6 -> held.ifPresent(there ->
                    change(there, body(control).formed(form(control + 1)).withLines(List.of(), List.of())));
            case 7 -> {
                if (!edits.isEmpty()) {
                    Edit last = edits.get(edits.size() - 1);
                    take(show.revert(last, PEOPLE.get(0), new Edit.Role(Edit.Role.Kind.UNDO, last.number())));
                }
            }
                // what was taken away or changed comes back as it was at first
            default -> missing()
                    .ifPresentOrElse(
                            i -> apply(put(control(i), PAGE, i, body(i))),
                            () -> held.ifPresent(there -> change(there, body(control))));
        }
    }

    private Optional<Integer> missing() {
        return IntStream.range(0, CONTROLS)
                .boxed()
                .filter(i -> show.part(control(i)).isEmpty())
                .findFirst();
    }

    private void change(Held held, Body body) {
        apply(new EditRequest.Put(
                new Part(held.part().id(), held.part().parent(), held.part().order(), body), held.version()));
    }

    private void apply(EditRequest.Step step) {
        take(show.apply(new EditRequest("Edit", List.of(step)), PEOPLE.get(0)));
    }

    private void take(Outcome outcome) {
        if (outcome instanceof Outcome.Accepted accepted) {
            show = accepted.show();
            edits.add(accepted.edit());
            live.follow(show, accepted.edit(), now);
        }
    }

    // ---- what leaves, and what comes back

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        Habit habit = Habit.valueOf(target.value().toUpperCase());
        OscPacket decoded = ((Decoded.Whole) new OscDecoder().decode(packet)).packet();
        if (habit.pace == 0) {
            lines.add(
                    target + (timePasses ? " time " : " hand ") + HexFormat.of().formatHex(packet));
        }
        each(decoded, message -> left(habit, message));
        return true;
    }

    private static void each(OscPacket packet, Consumer<OscMessage> with) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> each(element, with));
        } else {
            with.accept((OscMessage) packet);
        }
    }

    private void left(Habit habit, OscMessage message) {
        String hex = HexFormat.of().formatHex(OscEncoder.encode(message));
        if (habit.pace > 0
                && (message.address().endsWith("/press") || message.address().endsWith("/release"))) {
            lines.add(habit.id() + " press " + hex);
        } else if (habit.pace > 0) {
            lastOf.put(habit.id() + " " + message.address(), hex);
        }
        if (habit == Habit.VIDEO || habit.pace > 0) {
            return;
        }
        String key = habit.id() + message.address();
        int count = answers.merge(key, 1, Integer::sum);
        int way = Math.floorMod(key.hashCode() * 31 + count * 7, 20);
        if (!message.arguments().isEmpty()) {
            told.put(key, message.arguments());
        }
        List<OscArgument> answer = message.arguments().isEmpty() && habit == Habit.WATER
                ? told.getOrDefault(key, List.of(new OscArgument.Float32(0)))
                : message.arguments();
        if (way > 1 && (habit != Habit.WATER || message.arguments().isEmpty())) {
            long full = (now + STEP - 1) / STEP * STEP;
            long delay = way == 2 ? 80 : 1 + way % 6;
            List<OscArgument> said = way == 3 && !answer.isEmpty() && answer.get(0) instanceof OscArgument.Float32 value
                    ? List.of(new OscArgument.Float32(value.value() / 2 + 0.1f))
                    : answer;
            happenings.add(new Happening(
                    full + delay * STEP + 3 * MS,
                    orders++,
                    () -> arrives(habit, new OscMessage(message.address(), said))));
        }
    }

    private void arrives(Habit habit, OscMessage message) {
        byte[] bytes = OscEncoder.encode(message);
        show.part(habit.id())
                .ifPresent(part -> live.received(
                        habit.ourPort(),
                        ((Target) part.body()).host(),
                        habit.port(),
                        bytes,
                        new OscDecoder().decode(bytes),
                        now));
    }

    /** Everybody rests: where the controls stand, how the links are, and what the paced targets were told last. */
    private void note() {
        lines.add("pause at " + (now - START) / MS + " ms");
        live.values().stream()
                .sorted(Comparator.comparing(ControlValue::control))
                .forEach(value -> lines.add("stands " + value.control() + " "
                        + value.axes().stream()
                                .map(axis -> "%.5f".formatted(axis.position()))
                                .toList() + " " + value.belief() + " "
                        + value.holder().isEmpty()));
        live.links().stream()
                .sorted(Comparator.comparing(LinkView::target))
                .forEach(link -> lines.add("link " + link.target() + " " + link.state() + " " + link.gate()));
        lastOf.forEach((address, hex) -> lines.add("last " + address + " " + hex));
    }

    /** The lines among which the order counts: those of hands and commands for each target, each message that time caused, and the pauses. */
    static Map<String, List<String>> lanes(List<String> lines) {
        Map<String, List<String>> lanes = new TreeMap<>();
        for (String line : lines) {
            String[] words = line.split(" ", 3);
            String lane =
                    switch (words[1]) {
                        case "hand", "press" -> words[0] + " " + words[1];
                        case "time" -> line;
                        default -> "pauses";
                    };
            lanes.computeIfAbsent(lane, l -> new ArrayList<>()).add(line);
        }
        return lanes;
    }
}
