package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The media server of the Salt Clock: three sheets of water, each with a rack of {@value #REELS} reels.
 *
 * <p>{@code /sluice/sheet/<1..3>/next} names the reel that comes next, {@code …/blend} the seconds of the way into it, {@code …/take}
 * goes there; {@code …/play}, {@code …/pause} and {@code …/stop}; {@code …/mark} jumps to a numbered mark. {@code …/reel} and
 * {@code …/state} ({@code idle}, {@code playing}, {@code paused}, {@code ended}) are reported when they change, to the one end it was set
 * to. {@code /sluice/scene} calls a scene by its exact name. Until somebody switches its receiving on, at the server itself, it
 * ignores everything; {@code /sluice/pulse} comes once a second all the same.
 */
public final class Sluice implements StandIn {

    public static final int SHEETS = 3;
    public static final int REELS = 8;
    public static final List<String> SCENES = List.of("Low water", "Flood", "Moonrise", "Salt");
    private static final double REEL_SECONDS = 40;
    private static final double MARK_SECONDS = 8;

    private static final class Sheet {
        private double seconds;
        private double blendLeft;
    }

    private final Registers registers = new Registers();
    private final List<Sheet> sheets = new ArrayList<>();
    private Peer answersTo;
    private boolean receives;
    private long pulses;
    private long pulseDue = Long.MIN_VALUE;
    private long last = Long.MIN_VALUE;

    /** @param receives whether its receive switch is on */
    public Sluice(Peer answersTo, boolean receives) {
        this.answersTo = answersTo;
        this.receives = receives;
        for (int i = 1; i <= SHEETS; i++) {
            sheets.add(new Sheet());
            registers.add(Register.whole("/sluice/sheet/" + i + "/reel", 0, REELS, 0));
            registers.add(Register.whole("/sluice/sheet/" + i + "/next", 1, REELS, i));
            registers.add(Register.decimal("/sluice/sheet/" + i + "/blend", 0, 30, 2));
            registers.add(Register.text("/sluice/sheet/" + i + "/state", "idle"));
        }
        registers.add(Register.text("/sluice/scene", ""));
    }

    @Override
    public String name() {
        return "Sluice";
    }

    /** Somebody sets the server to answer elsewhere. */
    public void answerTo(Peer peer) {
        answersTo = peer;
    }

    /** Somebody turns the receive switch at the server. */
    public void receiveSwitch(boolean on) {
        receives = on;
    }

    @Override
    public void receive(Heard heard, long now, Outbox outbox) {
        if (receives) {
            act(heard.message(), outbox);
        }
    }

    @Override
    public void byHand(OscMessage done, long now, Outbox outbox) {
        act(done, outbox);
    }

    private void act(OscMessage message, Outbox outbox) {
        String[] path = message.address().split("/");
        if (message.address().equals("/sluice/scene")) {
            if (message.arguments().size() == 1
                    && message.arguments().get(0) instanceof OscArgument.Text name
                    && SCENES.contains(name.value())) {
                set("/sluice/scene", message.arguments(), outbox);
                for (int i = 1; i <= SHEETS; i++) {
                    start(i, SCENES.indexOf(name.value()) + i, 0, outbox);
                }
            }
            return;
        }
        if (path.length != 5 || !path[2].equals("sheet") || !path[3].matches("[1-3]")) {
            return;
        }
        int number = Integer.parseInt(path[3]);
        Sheet sheet = sheets.get(number - 1);
        String state = registers.get("/sluice/sheet/" + number + "/state").words();
        switch (path[4]) {
            case "next", "blend" -> set(message.address(), message.arguments(), outbox);
            case "take" -> start(
                    number,
                    (int) at(number, "next").number(),
                    at(number, "blend").number(),
                    outbox);
            case "play" -> {
                if (at(number, "reel").number() > 0) {
                    sheet.seconds = state.equals("ended") ? 0 : sheet.seconds;
                    state(number, "playing", outbox);
                }
            }
            case "pause" -> {
                if (state.equals("playing")) {
                    state(number, "paused", outbox);
                }
            }
            case "stop" -> {
                sheet.seconds = 0;
                state(number, "idle", outbox);
            }
            case "mark" -> {
                if (message.arguments().size() == 1
                        && message.arguments().get(0) instanceof OscArgument.Int32 mark
                        && mark.value() >= 1
                        && mark.value() * MARK_SECONDS <= REEL_SECONDS) {
                    sheet.seconds = (mark.value() - 1) * MARK_SECONDS;
                }
            }
            default -> {
                // reel and state are only reported
            }
        }
    }

    private Register at(int sheet, String property) {
        return registers.get("/sluice/sheet/" + sheet + "/" + property);
    }

    private void start(int sheet, int reel, double blend, Outbox outbox) {
        sheets.get(sheet - 1).seconds = 0;
        sheets.get(sheet - 1).blendLeft = blend;
        set("/sluice/sheet/" + sheet + "/reel", List.of(new OscArgument.Int32((reel - 1) % REELS + 1)), outbox);
        state(sheet, "playing", outbox);
    }

    private void state(int sheet, String state, Outbox outbox) {
        set("/sluice/sheet/" + sheet + "/state", List.of(new OscArgument.Text(state)), outbox);
    }

    /** Only what changed is reported. */
    private void set(String address, List<OscArgument> to, Outbox outbox) {
        Register register = registers.get(address);
        List<OscArgument> before = register.values();
        if (register.take(to) && !register.values().equals(before)) {
            outbox.send(answersTo, Registers.report(register));
        }
    }

    @Override
    public void pass(long now, Outbox outbox) {
        double passed = last == Long.MIN_VALUE ? 0 : (now - last) / 1e9;
        last = now;
        for (int i = 1; i <= SHEETS; i++) {
            Sheet sheet = sheets.get(i - 1);
            sheet.blendLeft = Math.max(0, sheet.blendLeft - passed);
            if (at(i, "state").words().equals("playing")) {
                sheet.seconds += passed;
                if (sheet.seconds >= REEL_SECONDS) {
                    state(i, "ended", outbox);
                }
            }
        }
        if (now >= pulseDue) {
            pulseDue = now + 1_000_000_000L;
            outbox.send(answersTo, OscMessage.of("/sluice/pulse", new OscArgument.Int32((int) ++pulses)));
        }
    }

    @Override
    public Map<String, Object> picture(long now) {
        List<Map<String, Object>> shown = new ArrayList<>();
        for (int i = 1; i <= SHEETS; i++) {
            Sheet sheet = sheets.get(i - 1);
            double blend = at(i, "blend").number();
            shown.add(Map.of(
                    "reel",
                    at(i, "reel").number(),
                    "next",
                    at(i, "next").number(),
                    "state",
                    at(i, "state").words(),
                    "seconds",
                    sheet.seconds,
                    "of",
                    REEL_SECONDS,
                    "blended",
                    blend == 0 ? 1 : 1 - sheet.blendLeft / blend));
        }
        return Map.of(
                "sheets",
                shown,
                "scene",
                registers.get("/sluice/scene").words(),
                "receives",
                receives,
                "answersTo",
                answersTo.host() + ":" + answersTo.port());
    }
}
