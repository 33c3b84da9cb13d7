package imperan.track;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * The markers and cue points of a Standard MIDI File, formats 0 and 1, at the times that its tempo changes give them (Standard MIDI Files 1.0: chunks, variable-length
 * quantities, running status, meta events 06 marker, 07 cue point and 51 set tempo).
 */
public final class MidiMarkers {

    private static final int MOST_EVENTS = 5_000_000;
    private static final int MOST_MARKERS = 10_000;
    /** Until a file says otherwise: 120 beats a minute. */
    private static final long USUAL_MICROS = 500_000;

    private record Placed(long tick, String name) {}

    private record Tempo(long tick, long micros) {}

    /** A file that goes wrong, and where. */
    private static final class Broken extends Exception {
        private static final long serialVersionUID = 1;
        private final int place;

        private Broken(int place, String reason) {
            super(reason);
            this.place = place;
        }
    }

    private final byte[] bytes;
    private final List<Placed> markers = new ArrayList<>();
    private final List<Tempo> tempos = new ArrayList<>();
    private int events;
    private int at;

    private MidiMarkers(byte[] bytes) {
        this.bytes = bytes;
    }

    /** Whether bytes begin as such a file does. */
    public static boolean isOne(byte[] bytes) {
        return bytes.length >= 4 && new String(bytes, 0, 4, StandardCharsets.ISO_8859_1).equals("MThd");
    }

    public static Marker.Read read(byte[] bytes) {
        try {
            return new MidiMarkers(bytes).read();
        } catch (Broken e) {
            return Marker.Read.Bad.at(e.place, e.getMessage());
        }
    }

    private Marker.Read read() throws Broken {
        if (!isOne(bytes)) {
            throw new Broken(0, "This is no MIDI file: it would begin with “MThd”");
        }
        at = 4;
        int length = whole(4);
        int start = at;
        int format = whole(2);
        int tracks = whole(2);
        int division = whole(2);
        if (format > 1) {
            throw new Broken(
                    8,
                    "This MIDI file holds songs that do not belong together (format " + format
                            + "): save it as format 0 or 1");
        } else if (division == 0) {
            throw new Broken(12, "This MIDI file does not say how long a beat is");
        }
        if (length > bytes.length - start) {
            throw new Broken(4, "The head of this MIDI file goes beyond its end");
        }
        at = start + Math.max(6, length);
        for (int i = 0; i < tracks; i++) {
            track(i + 1);
        }
        List<Marker> found = timed(division);
        return new Marker.Read.Good(found, found.isEmpty() ? List.of("This MIDI file has no markers") : List.of());
    }

    private void track(int number) throws Broken {
        String type = at + 4 <= bytes.length ? new String(bytes, at, 4, StandardCharsets.ISO_8859_1) : "";
        if (!type.equals("MTrk")) {
            throw new Broken(at, "Track " + number + " of this MIDI file is missing");
        }
        at += 4;
        int length = whole(4);
        if (length < 0 || length > bytes.length - at) {
            throw new Broken(at - 4, "Track " + number + " of this MIDI file ends too early");
        }
        int end = at + length;
        long tick = 0;
        int status = 0;
        while (at < end) {
            tick += variable(end);
            if (++events > MOST_EVENTS) {
                throw new Broken(at, "This MIDI file has more than " + MOST_EVENTS + " events");
            }
            int place = at;
            int next = whole(1);
            if (next == 0xFF) {
                meta(tick, end);
            } else if (next == 0xF0 || next == 0xF7) {
                skip(variable(end), end);
            } else if (next >= 0xF0) {
                throw new Broken(place, String.format("There is no event %02X in a MIDI file", next));
            } else {
                if (next < 0x80 && status == 0) {
                    throw new Broken(place, "An event of this MIDI file does not say what it is");
                }
                int arguments = next < 0x80 ? -1 : 0;
                status = next < 0x80 ? status : next;
                // programs and pressures have one data byte, all others two
                skip(((status & 0xE0) == 0xC0 ? 1 : 2) + arguments, end);
            }
        }
        at = end;
    }

    private void meta(long tick, int end) throws Broken {
        int type = whole(1);
        long length = variable(end);
        int from = at;
        skip(length, end);
        if (type == 0x06 || type == 0x07) {
            if (markers.size() >= MOST_MARKERS) {
                throw new Broken(from, "This MIDI file has more than " + MOST_MARKERS + " markers");
            }
            markers.add(new Placed(tick, text(bytes, from, (int) length)));
        } else if (type == 0x51 && length == 3) {
            tempos.add(new Tempo(
                    tick, (bytes[from] & 0xFFL) << 16 | (bytes[from + 1] & 0xFF) << 8 | bytes[from + 2] & 0xFF));
        }
    }

    /** UTF-8 where it is, else the older Latin-1 that such files are in. */
    static String text(byte[] bytes, int from, int length) {
        CharsetDecoder strict = StandardCharsets.UTF_8.newDecoder();
        String text;
        try {
            text = strict.decode(ByteBuffer.wrap(bytes, from, length)).toString();
        } catch (CharacterCodingException e) {
            Charset older = StandardCharsets.ISO_8859_1;
            text = new String(bytes, from, length, older);
        }
        return text.codePoints()
                .filter(c -> !Character.isISOControl(c))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString()
                .strip();
    }

    /** The markers in the order of their times. Both lists are gone through once, however many tempo changes there are. */
    private List<Marker> timed(int division) {
        tempos.sort(Comparator.comparingLong(Tempo::tick));
        markers.sort(Comparator.comparingLong(Placed::tick));
        List<Marker> found = new ArrayList<>();
        if (division >= 0x8000) {
            // frames a second as a negative byte, and ticks to a frame; 29 stands for 30 000 / 1 001
            int frames = 256 - (division >> 8);
            double rate = frames == 29 ? 30_000 / 1_001.0 : frames;
            markers.forEach(each -> found.add(Marker.at(each.tick / (rate * Math.max(1, division & 0xFF)), each.name)));
            return found;
        }
        double micros = 0;
        long since = 0;
        long tempo = USUAL_MICROS;
        int next = 0;
        for (Placed each : markers) {
            for (; next < tempos.size() && tempos.get(next).tick <= each.tick; next++) {
                micros += (double) (tempos.get(next).tick - since) * tempo / division;
                since = tempos.get(next).tick;
                tempo = tempos.get(next).micros;
            }
            found.add(Marker.at((micros + (double) (each.tick - since) * tempo / division) / 1e6, each.name));
        }
        return found;
    }

    private int whole(int size) throws Broken {
        if (size > bytes.length - at) {
            throw new Broken(at, "This MIDI file ends too early");
        }
        int value = 0;
        for (int i = 0; i < size; i++) {
            value = value << 8 | bytes[at++] & 0xFF;
        }
        return value;
    }

    /** Seven bits to a byte, four bytes at most. */
    private long variable(int end) throws Broken {
        int from = at;
        long value = 0;
        for (int i = 0; i < 4; i++) {
            if (at >= end) {
                throw new Broken(from, "A number of this MIDI file is cut off");
            }
            int next = bytes[at++] & 0xFF;
            value = value << 7 | next & 0x7F;
            if (next < 0x80) {
                return value;
            }
        }
        throw new Broken(from, "A number of this MIDI file has more than four bytes");
    }

    private void skip(long length, int end) throws Broken {
        if (length > end - at) {
            throw new Broken(at, "An event of this MIDI file goes beyond its track");
        }
        at += (int) length;
    }
}
