package imperan.proof.run;

import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.mute;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.AskRule;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.ProofRule;
import imperan.show.Send;
import imperan.show.Shows;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.form.Choice;
import imperan.show.form.Form;
import imperan.show.form.Pad;
import imperan.show.form.TextLine;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;

/** Desks that deceive or are odd, each in one way; each knows what it really took of what it was told. */
final class Zoo {

    /** By how much what is taken may differ from what was said: what a phrase allows of numbers from 0 to 1 where it says nothing. */
    private static final double SAME = 1 / 127.0;

    private static final int CHANNEL = 3;
    private static final int CHOICES = 20;
    private static final int LONGEST = 16;

    /** One of each sort. */
    private static final Set<Animal> FEW = EnumSet.of(
            Animal.HONEST,
            Animal.TAKES_NOTHING,
            Animal.TAKES_THE_FIRST_ONLY,
            Animal.TAKES_ONE_IN_THREE,
            Animal.TAKES_THE_ONE_BEFORE,
            Animal.SAYS_ALL_EACH_300_MS,
            Animal.ANSWERS_AFTER_1_4_LIMITS);

    /** What a desk takes of what it is told, or how it tells. */
    enum Animal {
        HONEST,
        /** Takes it, and forgets it a little later: a proof does not look so long. */
        DRIFTS_BACK,
        DRIFTS_BACK_AFTER_TWO_SECONDS,
        TAKES_NOTHING,
        TAKES_THE_FIRST_ONLY,
        TAKES_ONE_IN_THREE,
        MISSES_ONE_IN_FOUR,
        STOPS_AFTER_FIVE,
        BEGINS_AFTER_FIVE,
        TAKES_THE_ONE_BEFORE,
        TAKES_THREE_LEVELS,
        TAKES_EIGHTHS,
        TAKES_TWENTIETHS,
        TAKES_STEPS_OF_A_32ND,
        TAKES_STEPS_OF_A_128TH,
        CUTS_TO_WHOLE_NUMBERS,
        INVERTS,
        BENDS,
        HALVES,
        MOVES_HALFWAY,
        NEVER_FALLS,
        NEVER_RISES,
        STAYS_FULL,
        TOGGLES,
        ENDS_AT_FOUR_FIFTHS,
        ENDS_NEAR_THE_END,
        BEGINS_AT_A_FIFTH,
        BEGINS_NEAR_THE_END,
        // with more than one argument, texts and choices
        SECOND_AXIS_IS_DEAD,
        SWAPS_AXES,
        MOVES_ITS_NEIGHBOUR,
        CUTS_TEXTS,
        TAKES_THE_FIRST_CHOICES,
        // how it tells
        ANSWERS_NEAR_ITS_LIMIT,
        ANSWERS_AFTER_1_4_LIMITS,
        ANSWERS_AFTER_2_LIMITS,
        ANSWERS_AFTER_4_LIMITS,
        JITTERS,
        ANSWERS_ONCE,
        ANSWERS_ONE_IN_THREE,
        SAYS_ALL_TWICE,
        SAYS_ALL_EACH_300_MS,
        SAYS_ALL_EACH_SECOND,
        JOINS_CHANGES,
        RAMPS,
        SAYS_INTEGERS,
        // what moves it besides
        SWEEPS,
        BLINKS;

        private static final Set<Animal> ODD = EnumSet.range(ANSWERS_NEAR_ITS_LIMIT, SAYS_INTEGERS);

        /** Whether it takes all that it is told, and tells it in time. */
        boolean isHonest() {
            return this == HONEST
                    || this == ANSWERS_NEAR_ITS_LIMIT
                    || this == JITTERS
                    || this == SAYS_ALL_TWICE
                    || this == SAYS_ALL_EACH_300_MS
                    || this == SAYS_ALL_EACH_SECOND
                    || this == JOINS_CHANGES
                    || this == RAMPS;
        }

        private boolean isLate() {
            return this == ANSWERS_AFTER_1_4_LIMITS || this == ANSWERS_AFTER_2_LIMITS || this == ANSWERS_AFTER_4_LIMITS;
        }

        boolean movesByItself() {
            return this == SWEEPS || this == BLINKS;
        }

        boolean isCoarse() {
            return this == TAKES_THREE_LEVELS
                    || this == TAKES_EIGHTHS
                    || this == TAKES_TWENTIETHS
                    || this == TAKES_STEPS_OF_A_32ND;
        }

        private double takes(double said, double stands, int number, double before) {
            return switch (this) {
                case TAKES_NOTHING -> stands;
                case TAKES_THE_FIRST_ONLY -> number == 0 ? said : stands;
                case TAKES_ONE_IN_THREE -> number % 3 == 0 ? said : stands;
                case MISSES_ONE_IN_FOUR -> number % 4 == 3 ? stands : said;
                case STOPS_AFTER_FIVE -> number < 5 ? said : stands;
                case BEGINS_AFTER_FIVE -> number < 5 ? stands : said;
                case TAKES_THE_ONE_BEFORE -> before;
                case TAKES_THREE_LEVELS -> steps(said, 2);
                case TAKES_EIGHTHS -> steps(said, 8);
                case TAKES_TWENTIETHS -> steps(said, 20);
                case TAKES_STEPS_OF_A_32ND -> steps(said, 32);
                case TAKES_STEPS_OF_A_128TH -> steps(said, 128);
                case CUTS_TO_WHOLE_NUMBERS -> Math.floor(said);
                case INVERTS -> 1 - said;
                case BENDS -> said * said;
                case HALVES -> said / 2;
                case MOVES_HALFWAY -> (said + stands) / 2;
                case NEVER_FALLS -> Math.max(stands, said);
                case NEVER_RISES -> Math.min(stands, said);
                case STAYS_FULL -> 1;
                case TOGGLES -> 1 - stands;
                case ENDS_AT_FOUR_FIFTHS -> Math.min(0.8, said);
                case ENDS_NEAR_THE_END -> Math.min(0.97, said);
                case BEGINS_AT_A_FIFTH -> Math.max(0.2, said);
                case BEGINS_NEAR_THE_END -> Math.max(0.03, said);
                case TAKES_THE_FIRST_CHOICES -> said < CHOICES / 2.0 ? said : stands;
                default -> said;
            };
        }

        private static double steps(double said, int steps) {
            return Math.round(said * steps) / (double) steps;
        }
    }

    /** What it says to a message; asked, where it can be asked, it always says what stands. */
    enum Way {
        /** What came, again. */
        RETURNS,
        /** What came, again, and once more a little later. */
        RETURNS_TWICE,
        /** What came, again, when something else may have been asked meanwhile. */
        RETURNS_LATER,
        /** What it took. */
        REPORTS,
        /** What it took, on another address. */
        REPORTS_ELSEWHERE,
        /** Nothing: it is asked. */
        IS_ASKED,
        /** Nothing: it is asked on an address of its own, and answers on a third. */
        IS_ASKED_ELSEWHERE,
        /** What came, again; and what it is asked, too. */
        RETURNS_QUESTIONS_TOO;

        boolean isAsked() {
            return this == IS_ASKED || this == IS_ASKED_ELSEWHERE;
        }
    }

    /** Whether it answers questions. */
    enum Answers {
        QUESTIONS,
        NO_QUESTIONS
    }

    /** What is moved. */
    enum Kind {
        FADER,
        SWITCH,
        /** It is on already. */
        SWITCH_THAT_IS_ON,
        /** A number before the value names the place. */
        NUMBERED,
        PAD,
        TEXT,
        CHOICE
    }

    enum Place {
        STAND_IN,
        VENUE,
        /** At the venue, and its phrase allows all that it can say. */
        SWEPT
    }

    /** What the phrasebook says. */
    enum Book {
        RIGHT,
        /** That it answers on an address of which it says nothing. */
        WRONG,
        NONE
    }

    record Cell(Animal animal, Kind kind, Way way, Answers answers, Place place, Book book) {
        @Override
        public String toString() {
            return String.join(" ", animal.name(), kind.name(), way.name(), answers.name(), place.name(), book.name());
        }

        /** Odd in two ways at once: its answers overtake its echoes, and no phrase says which is which. */
        private boolean isTwiceOdd() {
            return animal == Animal.JITTERS && way == Way.RETURNS_TWICE && book == Book.NONE;
        }

        /** With a wrong phrasebook, and swept, some liars tell as much as all. */
        private boolean isWorthATry() {
            boolean isTelling = animal.isHonest() || FEW.contains(animal);
            return switch (place) {
                case SWEPT -> book == Book.RIGHT && (isTelling || kind != Kind.FADER);
                case STAND_IN, VENUE -> book != Book.WRONG || isTelling;
            };
        }

        /** One that is never heard where it is listened to is no liar: that it says nothing there is the truth. */
        private boolean saysSomething() {
            return way.isAsked()
                    ? answers == Answers.QUESTIONS && (way == Way.IS_ASKED || book == Book.RIGHT)
                    : way != Way.REPORTS_ELSEWHERE || book == Book.RIGHT;
        }

        /** Whether every answer comes after its limit. */
        boolean isLate() {
            return animal.isLate() && way != Way.RETURNS_TWICE && way != Way.RETURNS_LATER;
        }

        /** Whether its phrasebook tells where to hear it. */
        boolean isKnown() {
            return book == Book.RIGHT;
        }

        /** Whether somebody could know of it what it took: it can be asked, or tells it in a form of its own. */
        boolean isToBeConfirmed() {
            boolean isAsked = answers == Answers.QUESTIONS;
            boolean isAllowed =
                    switch (place) {
                        case STAND_IN -> true;
                            // what cannot be asked cannot be put back
                            // and a line that says only what stands there already moves nothing
                        case SWEPT -> isAsked && kind != Kind.SWITCH_THAT_IS_ON;
                            // a switch has no small step, and neither has a text or a choice
                        case VENUE -> isAsked
                                && kind != Kind.SWITCH
                                && kind != Kind.SWITCH_THAT_IS_ON
                                && kind != Kind.TEXT
                                && kind != Kind.CHOICE;
                    };
            return isAllowed
                    && isKnown()
                    && (isAsked || way == Way.REPORTS_ELSEWHERE)
                    // what joins changes or ramps tells every value but the last one late, on no question of ours
                    && (animal != Animal.RAMPS || place == Place.STAND_IN);
        }

        /** Keeps steps of its own, which are coarser than what its phrase allows, and says so. */
        boolean isToBeCoarser() {
            return animal.isCoarse()
                    && kind == Kind.FADER
                    && place == Place.STAND_IN
                    && isKnown()
                    && (answers == Answers.QUESTIONS || way == Way.REPORTS || way == Way.REPORTS_ELSEWHERE);
        }
    }

    static List<Cell> cells() {
        List<Cell> cells = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            for (Animal animal : animals(kind)) {
                for (Way way : Way.values()) {
                    for (Answers answers : Answers.values()) {
                        for (Place place : Place.values()) {
                            for (Book book : Book.values()) {
                                Cell cell = new Cell(animal, kind, way, answers, place, book);
                                if (cell.saysSomething() && !cell.isTwiceOdd() && cell.isWorthATry()) {
                                    cells.add(cell);
                                }
                            }
                        }
                    }
                }
            }
        }
        return cells;
    }

    static Set<Animal> animals(Kind kind) {
        Set<Animal> numbers = EnumSet.range(Animal.HONEST, Animal.BEGINS_NEAR_THE_END);
        Set<Animal> few = EnumSet.copyOf(FEW);
        switch (kind) {
            case FADER -> {
                numbers.addAll(Animal.ODD);
                numbers.add(Animal.SWEEPS);
                numbers.add(Animal.BLINKS);
                return numbers;
            }
            case SWITCH, SWITCH_THAT_IS_ON -> {
                numbers.add(Animal.BLINKS);
                return numbers;
            }
            case NUMBERED -> {
                few.addAll(List.of(Animal.MOVES_ITS_NEIGHBOUR, Animal.INVERTS, Animal.TAKES_STEPS_OF_A_32ND));
                return few;
            }
            case PAD -> {
                few.addAll(List.of(Animal.SECOND_AXIS_IS_DEAD, Animal.SWAPS_AXES, Animal.INVERTS, Animal.SWEEPS));
                return few;
            }
            case TEXT -> {
                few.add(Animal.CUTS_TEXTS);
                return few;
            }
            case CHOICE -> {
                few.add(Animal.TAKES_THE_FIRST_CHOICES);
                return few;
            }
        }
        throw new AssertionError();
    }

    /** One desk with one thing to move. */
    static final class Desk {
        private static final long REMEMBERS_NANOS = 400_000_000L;
        private static final long REMEMBERS_LONGER_NANOS = 2_000_000_000L;
        private static final long LIMIT_MS = 500;
        private static final int RAMP_STEPS = 5;
        private static final long RAMP_NANOS = 50_000_000L;
        /** By itself it says what it says so long before and after the proof has begun. */
        private static final long BEFORE_MS = 3_000;

        private static final long LONGEST_MS = 120_000;

        private final Cell cell;
        private final String address;
        final ProofHall hall;
        private final List<OscArgument> rests;
        private List<OscArgument> stands;
        private List<OscArgument> neighbour;
        private List<OscArgument> before;
        private long movedAt = Long.MAX_VALUE;
        private int number;
        private int said;
        private boolean tookAll = true;
        private double rampFrom;

        Desk(Cell cell) {
            this(
                    cell,
                    "/a",
                    hall(end(cell), cell.book == Book.NONE ? List.of() : List.of(phrase(cell)), control(cell.kind)));
            hall.hall.does(this::takes);
            hall.hall.pass(everyMillis(cell.animal) > 0 ? BEFORE_MS : 0);
        }

        /** One of many in a hall. */
        private Desk(Cell cell, String address, ProofHall hall) {
            this.cell = cell;
            this.address = address;
            this.hall = hall;
            rests = switch (cell.kind) {
                case FADER -> List.of(f(0.25));
                case SWITCH -> List.of(i(0));
                case SWITCH_THAT_IS_ON -> List.of(i(1));
                case NUMBERED -> List.of(i(CHANNEL), f(0.25));
                case PAD -> List.of(f(0.25), f(0.75));
                case TEXT -> List.of(new OscArgument.Text("as it was"));
                case CHOICE -> List.of(i(2));
            };
            stands = rests;
            neighbour = rests;
            before = rests;
            if (everyMillis(cell.animal) > 0) {
                byItself(everyMillis(cell.animal));
            }
        }

        /** How often it says something by itself; 0 where it does not. */
        private static long everyMillis(Animal animal) {
            return animal == Animal.SAYS_ALL_EACH_300_MS
                    ? 300
                    : animal == Animal.SAYS_ALL_EACH_SECOND ? 1_000 : animal.movesByItself() ? 250 : 0;
        }

        private static boolean isSwitch(Kind kind) {
            return kind == Kind.SWITCH || kind == Kind.SWITCH_THAT_IS_ON;
        }

        private static OscArgument f(double value) {
            return new OscArgument.Float32((float) value);
        }

        private static OscArgument i(int value) {
            return new OscArgument.Int32(value);
        }

        private static Control control(Kind kind) {
            ArgumentSource.Fixed channel = new ArgumentSource.Fixed(ArgumentType.INT32, String.valueOf(CHANNEL));
            return switch (kind) {
                case FADER -> fader("/a");
                case SWITCH, SWITCH_THAT_IS_ON -> sending(
                        "/a", Send.Phase.PRESS, new ArgumentSource.Fixed(ArgumentType.INT32, "1"));
                case NUMBERED -> fader("/a")
                        .withLines(
                                List.of(send(channel, new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1))),
                                List.of(Listen.value(Optional.of(Shows.DESK), "/a", 1, 0, 1)));
                case PAD -> formed(
                        new Pad(Form.Grab.RELATIVE, false),
                        new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1, 0),
                        new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1, 1));
                case TEXT -> formed(new TextLine(), new ArgumentSource.Typed(ArgumentType.TEXT));
                case CHOICE -> formed(
                        new Choice(
                                IntStream.range(0, CHOICES)
                                        .mapToObj(i -> new Choice.Option("o" + i, String.valueOf(i)))
                                        .toList(),
                                Form.Direction.RIGHT),
                        new ArgumentSource.Chosen(ArgumentType.INT32));
            };
        }

        private static Send send(ArgumentSource... sources) {
            return new Send(Send.Phase.CHANGE, Optional.of(Shows.DESK), "/a", List.of(sources));
        }

        private static Control formed(Form form, ArgumentSource... sources) {
            return Control.plain("/a", fader("/a").cells(), form, List.of(send(sources)), List.of());
        }

        private static Target end(Cell cell) {
            Target desk = Target.plain(
                    "Desk",
                    Hall.DESK_HOST,
                    Hall.DESK_PORT,
                    Hall.ANSWER_PORT,
                    cell.answers == Answers.QUESTIONS ? Target.Answering.QUERIES : Target.Answering.REPORTS);
            return cell.place == Place.STAND_IN
                    ? desk.simulatedAt(new StandInEnd(Hall.DESK_HOST, Hall.DESK_PORT, true))
                    : desk;
        }

        private static PhraseArgument argument(ArgumentType type, double high, List<String> choices) {
            return PhraseArgument.plain(
                    type,
                    type == ArgumentType.TEXT ? Optional.empty() : Optional.of(0.0),
                    type == ArgumentType.TEXT ? Optional.empty() : Optional.of(high),
                    "",
                    choices,
                    Optional.empty());
        }

        private static Phrase phrase(Cell cell) {
            Phrase plain =
                    switch (cell.kind) {
                        case FADER -> level("/a");
                        case SWITCH, SWITCH_THAT_IS_ON -> mute("/a");
                        case NUMBERED -> level("/a")
                                .with(List.of(
                                        PhraseArgument.plain(
                                                ArgumentType.INT32,
                                                Optional.empty(),
                                                Optional.empty(),
                                                "",
                                                List.of(),
                                                Optional.of(String.valueOf(CHANNEL))),
                                        argument(ArgumentType.FLOAT32, 1, List.of())));
                        case PAD -> level("/a")
                                .with(List.of(
                                        argument(ArgumentType.FLOAT32, 1, List.of()),
                                        argument(ArgumentType.FLOAT32, 1, List.of())));
                        case TEXT -> level("/a").with(List.of(argument(ArgumentType.TEXT, 0, List.of())));
                        case CHOICE -> level("/a")
                                .with(List.of(argument(
                                        ArgumentType.INT32,
                                        CHOICES - 1.0,
                                        IntStream.range(0, CHOICES)
                                                .mapToObj(String::valueOf)
                                                .toList())));
                    };
            AnswerRule rule = cell.book == Book.WRONG
                    ? AnswerRule.elsewhere("/wrong")
                    : cell.way == Way.REPORTS_ELSEWHERE
                            ? AnswerRule.elsewhere("/is/a")
                            : AnswerRule.usual(cell.way.isAsked() ? AnswerRule.Kind.QUERY : AnswerRule.Kind.SAME);
            if (cell.way == Way.IS_ASKED_ELSEWHERE) {
                rule = rule.asking(AskRule.on("/get/a").named().answered("/told/a"));
            } else if (cell.kind == Kind.NUMBERED && cell.book == Book.RIGHT) {
                rule = rule.asking(AskRule.on(cell.way == Way.REPORTS_ELSEWHERE ? "/is/a" : "/a")
                        .named());
            }
            if (cell.animal == Animal.RAMPS || cell.animal == Animal.JOINS_CHANGES) {
                rule = rule.settling(1);
            }
            return Phrase.plain(plain.address(), plain.direction(), plain.arguments(), rule, "", "")
                    .doing(plain.effect())
                    .proved(cell.place == Place.SWEPT ? ProofRule.USUAL.sweeping() : ProofRule.USUAL);
        }

        // ---- what it takes

        private List<OscArgument> now() {
            long remembers = cell.animal == Animal.DRIFTS_BACK
                    ? REMEMBERS_NANOS
                    : cell.animal == Animal.DRIFTS_BACK_AFTER_TWO_SECONDS ? REMEMBERS_LONGER_NANOS : Long.MAX_VALUE;
            if (hall.hall.now - movedAt > remembers) {
                stands = rests;
            }
            long since = hall.hall.now - movedAt;
            if (cell.animal == Animal.RAMPS
                    && cell.kind == Kind.FADER
                    && since >= 0
                    && since < RAMP_STEPS * RAMP_NANOS) {
                double end = PacketJudge.number(stands.get(0));
                return List.of(f(rampFrom + (end - rampFrom) * (since / RAMP_NANOS) / RAMP_STEPS));
            }
            return stands;
        }

        private void takes(OscMessage message, boolean bundled, BiConsumer<String, List<OscArgument>> says) {
            hall.note(message);
            boolean isQuestion = isQuestion(message);
            if (!isQuestion && !message.address().equals(address)) {
                return;
            }
            if (isQuestion) {
                if (cell.way == Way.RETURNS_QUESTIONS_TOO) {
                    say(says, message.address(), message.arguments());
                }
                if (cell.answers == Answers.QUESTIONS) {
                    say(says, cell.way == Way.IS_ASKED_ELSEWHERE ? "/told" + address : message.address(), told(now()));
                }
                return;
            }
            List<OscArgument> taken = taken(message.arguments());
            before = message.arguments();
            // at the venue a switch is only put back to off: its line does not say that
            boolean isOfLine = !isSwitch(cell.kind)
                    || cell.place == Place.STAND_IN
                    || message.arguments().equals(List.of(i(1)));
            tookAll &= !isOfLine || isSame(taken, message.arguments());
            if (cell.animal == Animal.RAMPS && cell.kind == Kind.FADER) {
                ramps(taken);
                return;
            }
            movedAt = hall.hall.now;
            stands = taken;
            switch (cell.way) {
                case RETURNS, RETURNS_QUESTIONS_TOO -> say(says, address, message.arguments());
                case RETURNS_TWICE -> {
                    say(says, address, message.arguments());
                    hall.hall.later(5, address, message.arguments());
                }
                case RETURNS_LATER -> hall.hall.later(120, address, message.arguments());
                case REPORTS -> say(says, address, told(stands));
                case REPORTS_ELSEWHERE -> say(says, "/is" + address, told(stands));
                case IS_ASKED, IS_ASKED_ELSEWHERE -> {
                    // it waits for a question
                }
            }
        }

        private boolean isQuestion(OscMessage message) {
            boolean isAddress =
                    message.address().equals(address) || message.address().equals("/is" + address);
            return message.address().equals("/get" + address)
                    || isAddress && message.arguments().size() < (cell.kind == Kind.NUMBERED ? 2 : 1);
        }

        private List<OscArgument> taken(List<OscArgument> said) {
            int count = number++;
            if (cell.animal == Animal.SECOND_AXIS_IS_DEAD) {
                return List.of(said.get(0), now().get(1));
            } else if (cell.animal == Animal.SWAPS_AXES) {
                return List.of(said.get(1), said.get(0));
            } else if (cell.animal == Animal.MOVES_ITS_NEIGHBOUR) {
                neighbour = said;
                return now();
            } else if (cell.kind == Kind.TEXT) {
                String text = ((OscArgument.Text) said.get(0)).value();
                return cell.animal == Animal.CUTS_TEXTS
                        ? List.of(new OscArgument.Text(text.substring(0, Math.min(LONGEST, text.length()))))
                        : cell.animal == Animal.TAKES_THE_ONE_BEFORE
                                ? before
                                : cell.animal.takes(1, 0, count, 0) == 1 ? said : now();
            }
            List<OscArgument> taken = new ArrayList<>();
            for (int i = 0; i < said.size(); i++) {
                boolean names = cell.kind == Kind.NUMBERED && i == 0;
                double value = cell.animal.takes(
                        PacketJudge.number(said.get(i)),
                        PacketJudge.number(now().get(i)),
                        count,
                        PacketJudge.number(before.get(i)));
                taken.add(
                        names
                                ? said.get(i)
                                : said.get(i) instanceof OscArgument.Int32 ? i((int) Math.round(value)) : f(value));
            }
            return taken;
        }

        private static boolean isSame(List<OscArgument> one, List<OscArgument> other) {
            return IntStream.range(0, one.size())
                    .allMatch(i -> one.get(i) instanceof OscArgument.Text
                            ? one.get(i).equals(other.get(i))
                            : Math.abs(PacketJudge.number(one.get(i)) - PacketJudge.number(other.get(i))) <= SAME);
        }

        // ---- how it tells

        private List<OscArgument> told(List<OscArgument> value) {
            return cell.animal == Animal.SAYS_INTEGERS
                    ? value.stream()
                            .map(argument -> i((int) Math.round(PacketJudge.number(argument))))
                            .toList()
                    : value;
        }

        private void say(BiConsumer<String, List<OscArgument>> says, String address, List<OscArgument> arguments) {
            int count = said++;
            switch (cell.animal) {
                case ANSWERS_NEAR_ITS_LIMIT -> hall.hall.later(LIMIT_MS * 9 / 10, address, arguments);
                case ANSWERS_AFTER_1_4_LIMITS -> hall.hall.later(LIMIT_MS * 14 / 10, address, arguments);
                case ANSWERS_AFTER_2_LIMITS -> hall.hall.later(LIMIT_MS * 2, address, arguments);
                case ANSWERS_AFTER_4_LIMITS -> hall.hall.later(LIMIT_MS * 4, address, arguments);
                case JITTERS -> hall.hall.later(count * 97L % (LIMIT_MS - 100), address, arguments);
                case ANSWERS_ONCE -> {
                    if (count == 0) {
                        says.accept(address, arguments);
                    }
                }
                case ANSWERS_ONE_IN_THREE -> {
                    if (count % 3 == 0) {
                        says.accept(address, arguments);
                    }
                }
                case SAYS_ALL_TWICE -> {
                    says.accept(address, arguments);
                    hall.hall.later(3, address, arguments);
                }
                case JOINS_CHANGES -> hall.hall.later(250 - hall.hall.now / Hall.MS % 250, address, arguments);
                default -> says.accept(address, arguments);
            }
        }

        private void ramps(List<OscArgument> to) {
            double from = PacketJudge.number(now().get(0));
            rampFrom = from;
            double end = PacketJudge.number(to.get(0));
            stands = to;
            movedAt = hall.hall.now;
            for (int i = 1; i <= RAMP_STEPS; i++) {
                hall.hall.later(
                        50L * i,
                        cell.way == Way.REPORTS_ELSEWHERE ? "/is" + address : address,
                        List.of(f(from + (end - from) * i / RAMP_STEPS)));
            }
        }

        /** Whatever happens, it says what stands every so often; where it moves by itself, that is another value each time. */
        private void byItself(long everyMillis) {
            String on = cell.way == Way.REPORTS_ELSEWHERE
                    ? "/is" + address
                    : cell.way == Way.IS_ASKED_ELSEWHERE ? "/told" + address : address;
            hall.hall.every(everyMillis, LONGEST_MS, turn -> {
                if (cell.animal == Animal.SWEEPS) {
                    stands = IntStream.range(0, stands.size())
                            .mapToObj(i -> f((turn + i) % 40 / 40.0))
                            .toList();
                } else if (cell.animal == Animal.BLINKS) {
                    stands = isSwitch(cell.kind) ? List.of(i(turn % 2)) : List.of(f(turn % 2.0));
                }
                return new OscMessage(on, now());
            });
        }

        boolean tookAll() {
            return tookAll;
        }

        LineResult proved() {
            List<LineResult> lines = hall.prove(
                    cell.place == Place.STAND_IN ? new Conditions(9, false, Set.of()) : ProofHall.cleared(9));
            assertThat(lines).as(cell.toString()).hasSize(1);
            return lines.get(0);
        }

        /** The values of its line that were sent, and of which the packets alone do not tell that they were taken. */
        List<List<OscArgument>> unknown() {
            List<List<OscArgument>> unknown = new PacketJudge(
                            hall.packets, "/a", cell.kind == Kind.NUMBERED ? 1 : 0, cell.kind == Kind.TEXT ? 0 : SAME)
                    .unknown();
            // what stood there is put back
            return cell.place == Place.STAND_IN || cell.kind == Kind.SWITCH_THAT_IS_ON
                    ? unknown
                    : unknown.stream().filter(value -> !value.equals(rests)).toList();
        }
    }

    /** How long a proof takes of 200 faders, of which each has a desk of its own kind behind it, as a stand-in that answers questions. */
    static long nanosOf200Lines(Animal animal) {
        List<String> addresses =
                IntStream.range(0, 200).mapToObj(i -> "/" + i + "/a").toList();
        Control all = fader("/a")
                .withLines(
                        addresses.stream()
                                .map(address -> new Send(
                                        Send.Phase.CHANGE,
                                        Optional.of(Shows.DESK),
                                        address,
                                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1))))
                                .toList(),
                        List.of());
        ProofHall hall = hall(Lines.STAND_IN, List.of(level("/<n:0..199>/a")), all);
        Map<String, Desk> desks = new HashMap<>();
        Cell cell = new Cell(animal, Kind.FADER, Way.REPORTS, Answers.QUESTIONS, Place.STAND_IN, Book.RIGHT);
        addresses.forEach(address -> desks.put(address, new Desk(cell, address, hall)));
        hall.hall.does((message, bundled, says) -> Optional.ofNullable(desks.get(message.address()))
                .ifPresent(desk -> desk.takes(message, bundled, says)));
        long start = hall.hall.now;
        assertThat(hall.prove(new Conditions(3, false, Set.of()))).hasSize(addresses.size());
        return hall.hall.now - start;
    }

    private Zoo() {}
}
