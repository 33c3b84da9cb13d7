package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The real-time water-light engine of the Salt Clock.
 *
 * <p>{@code /eddy/tilt/x} and {@code /eddy/tilt/y} (degrees, −45 to 45), {@code /eddy/turbulence} (0 to 1), {@code /eddy/colour} (three
 * decimals, 0 to 1), {@code /eddy/reset}, and {@code /eddy/wave}, whose height it tells when it is asked. An address without arguments
 * asks and is answered to the sender; nothing is reported by itself. Decimals beyond their range are clamped.
 */
public final class Eddy implements StandIn {

    private final Registers registers = new Registers();

    public Eddy() {
        registers.add(Register.decimal("/eddy/tilt/x", -45, 45, 0));
        registers.add(Register.decimal("/eddy/tilt/y", -45, 45, 0));
        registers.add(Register.decimal("/eddy/turbulence", 0, 1, 0.2));
        registers.add(Register.decimal("/eddy/colour", 0, 1, 0.2, 0.55, 0.6));
    }

    @Override
    public String name() {
        return "Eddy";
    }

    @Override
    public void receive(Heard heard, long now, Outbox outbox) {
        OscMessage message = heard.message();
        if (message.address().equals("/eddy/wave") && message.arguments().isEmpty()) {
            outbox.send(heard.from(), OscMessage.of("/eddy/wave", new OscArgument.Float32((float) wave(now))));
        } else if (message.arguments().isEmpty() && !message.address().equals("/eddy/reset")) {
            registers
                    .at(message.address())
                    .ifPresent(register -> outbox.send(heard.from(), Registers.report(register)));
        } else {
            byHand(message, now, outbox);
        }
    }

    @Override
    public void byHand(OscMessage done, long now, Outbox outbox) {
        if (done.address().equals("/eddy/reset")) {
            registers.get("/eddy/tilt/x").set(0);
            registers.get("/eddy/tilt/y").set(0);
            registers.get("/eddy/turbulence").set(0.2);
        } else {
            registers.at(done.address()).ifPresent(register -> register.take(done.arguments()));
        }
    }

    /** Metres above the mean, of the crest before the engine's eye. */
    private double wave(long now) {
        return (0.1 + registers.get("/eddy/turbulence").number()) * (1 + Math.sin(now / 0.9e9)) / 2;
    }

    @Override
    public void pass(long now, Outbox outbox) {
        // it says nothing by itself
    }

    @Override
    public Map<String, Object> picture(long now) {
        Register colour = registers.get("/eddy/colour");
        return Map.of(
                "x",
                registers.get("/eddy/tilt/x").number(),
                "y",
                registers.get("/eddy/tilt/y").number(),
                "turbulence",
                registers.get("/eddy/turbulence").number(),
                "wave",
                wave(now),
                "red",
                colour.number(0),
                "green",
                colour.number(1),
                "blue",
                colour.number(2));
    }

    /** What it understands, as OSCQuery JSON (the open proposal): a tree of nodes with type, range, access and value. */
    public String addressSpace(JsonMapper json) {
        ObjectNode root = json.createObjectNode().put("FULL_PATH", "/").put("DESCRIPTION", "Water-light engine");
        for (Register register : registers.all()) {
            boolean colour = register.address.endsWith("colour");
            double low = register.address.contains("tilt") ? -45 : 0;
            double high = register.address.contains("tilt") ? 45 : 1;
            ObjectNode node = node(root, register.address)
                    .put("TYPE", colour ? "fff" : "f")
                    .put("ACCESS", 3);
            for (int i = 0; i < register.values().size(); i++) {
                node.withArray("/RANGE").addObject().put("MIN", low).put("MAX", high);
                node.withArray("/VALUE").add(register.number(i));
            }
        }
        node(root, "/eddy/reset").put("ACCESS", 2).put("DESCRIPTION", "Flat water");
        node(root, "/eddy/wave").put("TYPE", "f").put("ACCESS", 1).put("DESCRIPTION", "Height of the crest in metres");
        return json.writeValueAsString(root);
    }

    private static ObjectNode node(ObjectNode root, String address) {
        ObjectNode at = root;
        String path = "";
        for (String step : address.substring(1).split("/")) {
            path += "/" + step;
            at = at.withObject("/CONTENTS").withObject("/" + step).put("FULL_PATH", path);
        }
        return at;
    }
}
