package imperan.capture;

import imperan.capture.CaptureFile.BadException;
import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.OscText;
import imperan.show.Reach;
import imperan.show.ShowJson;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Captures as text: one packet in a line of JSON, with its bytes and what they say. What they say is for those who read; the bytes count. */
public final class JsonLines {

    private static final JsonMapper JSON = ShowJson.mapper();
    private static final OscDecoder DECODER = OscDecoder.takingBareAddresses();
    private static final long SECOND = 1_000_000_000L;

    private JsonLines() {}

    /** A packet as a line, with the end of the line. */
    public static String line(Captured captured) {
        ObjectNode line = JSON.createObjectNode();
        line.put(
                        "at",
                        Instant.ofEpochSecond(
                                        Math.floorDiv(captured.at(), SECOND), Math.floorMod(captured.at(), SECOND))
                                .toString())
                .put("direction", captured.out() ? "out" : "in")
                .put("ours", captured.ourHost() + ":" + captured.ourPort())
                .put("peer", captured.peerHost() + ":" + captured.peerPort())
                .put("reach", captured.reach().name());
        if (!captured.note().isEmpty()) {
            line.put("note", captured.note());
        }
        line.put("bytes", HexFormat.of().formatHex(captured.bytes()));
        if (DECODER.decode(captured.bytes()) instanceof Decoded.Whole whole) {
            says(whole.packet(), line.putArray("messages"));
        }
        return JSON.writeValueAsString(line) + "\n";
    }

    private static void says(OscPacket packet, ArrayNode into) {
        if (packet instanceof OscMessage message) {
            into.addObject()
                    .put("address", message.address())
                    .put("types", OscText.typeTags(message.arguments()))
                    .put("arguments", OscText.arguments(message.arguments()));
        } else if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> says(element, into));
        }
    }

    /** @param most packets that are taken */
    static CaptureFile.Read.Good read(byte[] file, int most) {
        List<Captured> packets = new ArrayList<>();
        int number = 0;
        for (String line : (Iterable<String>) new String(file, StandardCharsets.UTF_8).lines()::iterator) {
            number++;
            if (!line.isBlank()) {
                if (packets.size() == most) {
                    throw BadException.tooMany(most);
                }
                packets.add(packet(line, "line " + number));
            }
        }
        return new CaptureFile.Read.Good(List.copyOf(packets), 0);
    }

    private static Captured packet(String text, String place) {
        try {
            JsonNode line = JSON.readTree(text);
            Instant at = Instant.parse(needed(line, "at", place));
            if (at.isBefore(Instant.EPOCH) || at.isAfter(CaptureFile.LAST)) {
                throw new BadException(place, "It is of a time before 1970 or after the year 2200");
            }
            String direction = needed(line, "direction", place);
            if (!direction.equals("out") && !direction.equals("in")) {
                throw new BadException(place, "Its direction is “" + direction + "”, and neither out nor in");
            }
            String ours = needed(line, "ours", place);
            String peer = needed(line, "peer", place);
            return new Captured(
                    Math.addExact(Math.multiplyExact(at.getEpochSecond(), SECOND), at.getNano()),
                    direction.equals("out"),
                    host(ours),
                    port(ours, place),
                    host(peer),
                    port(peer, place),
                    Reach.valueOf(line.path("reach").asString(Reach.UDP.name())),
                    HexFormat.of().parseHex(needed(line, "bytes", place)),
                    line.path("note").asString(""));
        } catch (JacksonException e) {
            throw new BadException(place, "It is no JSON: " + ShowJson.reason(e));
        } catch (DateTimeException | ArithmeticException e) {
            throw new BadException(place, "Its time is none, such as 2026-05-01T20:00:00.123456789Z");
        } catch (IllegalArgumentException e) {
            throw new BadException(
                    place,
                    "Its bytes are not two hexadecimal digits each, or its reach is none of UDP, TCP_LENGTH and TCP_SLIP");
        }
    }

    private static String needed(JsonNode line, String field, String place) {
        if (!line.path(field).isString()) {
            throw new BadException(place, "It has no text for “" + field + "”");
        }
        return line.get(field).stringValue();
    }

    private static String host(String end) {
        return end.substring(0, Math.max(0, end.lastIndexOf(':')));
    }

    private static int port(String end, String place) {
        try {
            int port = Integer.parseInt(end.substring(end.lastIndexOf(':') + 1));
            if (port >= 0 && port <= 65_535 && end.indexOf(':') > 0) {
                return port;
            }
        } catch (NumberFormatException e) {
            // said below, as for a number that is no port
        }
        throw new BadException(place, "“" + end + "” is no address with a port, such as 192.0.2.9:7101");
    }
}
