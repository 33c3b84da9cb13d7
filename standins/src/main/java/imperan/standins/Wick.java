package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The lighting desk of the Salt Clock: twenty-four lanterns along the quay, four masters, twelve looks.
 *
 * <p>{@code /wick/lantern/<1..24>/level} (a whole number, 0 to 255), {@code …/colour} (three of them), {@code /wick/master/<1..4>/level},
 * {@code /wick/look/<1..12>/go}, and {@code /wick/look/<n>/state}, which says {@code out}, {@code rising}, {@code in} or
 * {@code edited}. {@code /wick/line} takes a line such as {@code lantern 3 = 50 %}. It refuses bundles, answers to the one address
 * and port it was set to, reports a change to that end unless the change came from there, and keeps levels in steps of
 * {@value #STEP}.
 */
public final class Wick implements StandIn {

    public static final int LANTERNS = 24;
    public static final int MASTERS = 4;
    public static final int LOOKS = 12;
    static final int STEP = 5;
    private static final long RISE_NANOS = 1_500_000_000L;
    private static final Pattern LINE = Pattern.compile("lantern (\\d{1,2}) = (\\d{1,3}) ?%");

    private final Registers registers = new Registers();
    private final Map<Integer, Long> risingUntil = new LinkedHashMap<>();
    private Peer answersTo;

    /** @param answersTo the end that this desk was set to answer to */
    public Wick(Peer answersTo) {
        this.answersTo = answersTo;
        for (int i = 1; i <= LANTERNS; i++) {
            registers.add(Register.whole("/wick/lantern/" + i + "/level", 0, 255, 0));
            registers.add(Register.whole("/wick/lantern/" + i + "/colour", 0, 255, 255, 214, 150));
        }
        for (int i = 1; i <= MASTERS; i++) {
            registers.add(Register.whole("/wick/master/" + i + "/level", 0, 255, 255));
        }
        for (int i = 1; i <= LOOKS; i++) {
            registers.add(Register.text("/wick/look/" + i + "/state", "out"));
        }
    }

    @Override
    public String name() {
        return "Wick";
    }

    /** Somebody sets the desk to answer elsewhere. */
    public void answerTo(Peer peer) {
        answersTo = peer;
    }

    @Override
    public void receive(Heard heard, long now, Outbox outbox) {
        if (heard.bundled()) {
            return;
        }
        OscMessage message = heard.message();
        if (message.arguments().isEmpty() && !message.address().endsWith("/go")) {
            registers.at(message.address()).ifPresent(register -> outbox.send(answersTo, Registers.report(register)));
        } else {
            boolean mover =
                    heard.from().host().equals(answersTo.host()) && heard.from().port() == answersTo.port();
            act(
                    message,
                    now,
                    report -> {
                        if (!mover) {
                            outbox.send(answersTo, report);
                        }
                    },
                    outbox);
        }
    }

    @Override
    public void byHand(OscMessage done, long now, Outbox outbox) {
        act(done, now, report -> outbox.send(answersTo, report), outbox);
    }

    private interface Reporting {
        void tell(OscMessage report);
    }

    private void act(OscMessage message, long now, Reporting reporting, Outbox outbox) {
        String address = message.address();
        if (address.equals("/wick/line")
                && message.arguments().size() == 1
                && message.arguments().get(0) instanceof OscArgument.Text line) {
            Matcher matcher = LINE.matcher(line.value().strip());
            if (matcher.matches()) {
                int level = (int) Math.round(Math.min(100, Integer.parseInt(matcher.group(2))) * 255 / 100.0);
                act(
                        OscMessage.of(
                                "/wick/lantern/" + Integer.parseInt(matcher.group(1)) + "/level",
                                new OscArgument.Int32(level)),
                        now,
                        reporting,
                        outbox);
            }
        } else if (address.matches("/wick/look/\\d+/go")) {
            look(Integer.parseInt(address.split("/")[3]), now, outbox);
        } else if (!address.endsWith("/state")) {
            registers
                    .at(address)
                    .filter(register -> register.take(message.arguments()))
                    .ifPresent(register -> {
                        if (address.endsWith("/level")) {
                            register.set(Math.min(255, Math.round(register.number() / STEP) * STEP));
                            edited(outbox);
                        }
                        reporting.tell(Registers.report(register));
                    });
        }
    }

    private void look(int number, long now, Outbox outbox) {
        if (number < 1 || number > LOOKS) {
            return;
        }
        for (int other = 1; other <= LOOKS; other++) {
            if (other != number && !state(other).equals("out")) {
                risingUntil.remove(other);
                say(other, "out", outbox);
            }
        }
        for (int i = 1; i <= LANTERNS; i++) {
            // a look is a wave of light whose crest stands at its own place on the quay
            double crest = 0.5 + 0.5 * Math.cos((i - number * 2) * Math.PI / 6);
            registers.get("/wick/lantern/" + i + "/level").set(Math.round(255 * crest / STEP) * STEP);
        }
        risingUntil.put(number, now + RISE_NANOS);
        say(number, "rising", outbox);
    }

    private void edited(Outbox outbox) {
        for (int number = 1; number <= LOOKS; number++) {
            if (state(number).equals("in")) {
                say(number, "edited", outbox);
            }
        }
    }

    private String state(int look) {
        return registers.get("/wick/look/" + look + "/state").words();
    }

    /** What becomes of a look is told whoever made it so. */
    private void say(int look, String state, Outbox outbox) {
        Register register = registers.get("/wick/look/" + look + "/state");
        register.set(state);
        outbox.send(answersTo, Registers.report(register));
    }

    @Override
    public void pass(long now, Outbox outbox) {
        List<Integer> risen = risingUntil.entrySet().stream()
                .filter(e -> e.getValue() <= now)
                .map(Map.Entry::getKey)
                .toList();
        risen.forEach(look -> {
            risingUntil.remove(look);
            say(look, "in", outbox);
        });
    }

    @Override
    public Map<String, Object> picture(long now) {
        List<Map<String, Object>> lanterns = new ArrayList<>();
        for (int i = 1; i <= LANTERNS; i++) {
            Register colour = registers.get("/wick/lantern/" + i + "/colour");
            double master = registers
                            .get("/wick/master/" + ((i - 1) / 6 + 1) + "/level")
                            .number()
                    / 255;
            lanterns.add(Map.of(
                    "level",
                    registers.get("/wick/lantern/" + i + "/level").number() / 255 * master,
                    "address",
                    "/wick/lantern/" + i,
                    "red",
                    colour.number(0),
                    "green",
                    colour.number(1),
                    "blue",
                    colour.number(2)));
        }
        List<String> looks = new ArrayList<>();
        for (int i = 1; i <= LOOKS; i++) {
            looks.add(state(i));
        }
        return Map.of("lanterns", lanterns, "looks", looks, "answersTo", answersTo.host() + ":" + answersTo.port());
    }
}
