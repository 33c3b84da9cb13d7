package imperan.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.regex.Pattern;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Sequence;
import javax.sound.midi.Sequencer;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Markers as other programs write them into files. */
class MarkerFilesTest {

    // ---- MIDI files

    /** Written by {@code javax.sound.midi}, and placed in time by its sequencer: an outside source for both the form and the tempo changes. */
    @Test
    void markersOfMidiFilesLieWhereTheSequencerOfJavaHasThem() throws Exception {
        for (long seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            int type = random.nextInt(2);
            Sequence sequence = new Sequence(Sequence.PPQ, 24 + random.nextInt(960), type + 1);
            Track tempo = sequence.getTracks()[0];
            Track other = sequence.getTracks()[type];
            List<Long> ticks = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                long tick = random.nextInt(200_000);
                int micros = 200_000 + random.nextInt(900_000);
                tempo.add(new MidiEvent(
                        new MetaMessage(
                                0x51, new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros}, 3),
                        random.nextInt(200_000)));
                byte[] name = ("Mark " + i + " ü").getBytes(StandardCharsets.UTF_8);
                other.add(new MidiEvent(new MetaMessage(6 + random.nextInt(2), name, name.length), tick));
                other.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, random.nextInt(16), 60, 64), tick));
                other.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, 5, 0), tick));
                ticks.add(tick);
            }
            ByteArrayOutputStream file = new ByteArrayOutputStream();
            MidiSystem.write(sequence, type, file);

            List<Marker> read = ((Marker.Read.Good) MidiMarkers.read(file.toByteArray())).markers();
            Sequence again = MidiSystem.getSequence(new ByteArrayInputStream(file.toByteArray()));
            List<Double> expected = ticks.stream()
                    .map(tick -> micros(again, tick) / 1e6)
                    .sorted()
                    .toList();
            assertThat(read).hasSize(20);
            for (int i = 0; i < 20; i++) {
                assertThat(read.get(i).seconds()).isCloseTo(expected.get(i), within(1e-3));
                assertThat(read.get(i).name()).matches("Mark \\d+ ü");
            }
        }
    }

    /** As a sequencer that is opened without a device reckons it. */
    private static long micros(Sequence sequence, long tick) {
        try (Sequencer sequencer = MidiSystem.getSequencer(false)) {
            sequencer.open();
            sequencer.setSequence(sequence);
            sequencer.setTickPosition(tick);
            return sequencer.getMicrosecondPosition();
        } catch (MidiUnavailableException | InvalidMidiDataException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void aMidiFileInFramesIsReadInFrames() throws Exception {
        Sequence sequence = new Sequence(Sequence.SMPTE_25, 40);
        sequence.createTrack()
                .add(new MidiEvent(new MetaMessage(6, "Verse".getBytes(StandardCharsets.US_ASCII), 5), 25 * 40 * 12));
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 0, file);

        assertThat(MidiMarkers.read(file.toByteArray()))
                .isEqualTo(new Marker.Read.Good(List.of(Marker.at(12, "Verse")), List.of()));
    }

    @Test
    void aBrokenMidiFileSaysWhereItBreaks() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 96);
        sequence.createTrack()
                .add(new MidiEvent(new MetaMessage(6, "Verse".getBytes(StandardCharsets.US_ASCII), 5), 96));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 0, out);
        byte[] file = out.toByteArray();

        for (int cut = 0; cut < file.length; cut++) {
            Marker.Read read = MidiMarkers.read(Arrays.copyOf(file, cut));
            assertThat(read).describedAs("cut at " + cut).isInstanceOf(Marker.Read.Bad.class);
            assertThat(((Marker.Read.Bad) read).place().orElseThrow()).isBetween(0L, (long) cut);
        }
        Random random = new Random(5);
        for (int i = 0; i < 20_000; i++) {
            byte[] hurt = file.clone();
            hurt[random.nextInt(hurt.length)] = (byte) random.nextInt();
            hurt[random.nextInt(hurt.length)] = (byte) random.nextInt();
            assertThat(MidiMarkers.read(hurt)).isNotNull();
        }
        byte[] endless = file.clone();
        Arrays.fill(endless, 4, 8, (byte) 0xFF);
        endless[4] = 0x7F;
        assertThat(((Marker.Read.Bad) MidiMarkers.read(endless)).reason())
                .isEqualTo("The head of this MIDI file goes beyond its end (byte 4)");
        file[9] = 2;
        assertThat(((Marker.Read.Bad) MidiMarkers.read(file)).reason())
                .isEqualTo(
                        "This MIDI file holds songs that do not belong together (format 2): save it as format 0 or 1 (byte 8)");
    }

    // ---- WAV files

    private static byte[] wav(int rate, int frames, int... cues) {
        ByteBuffer file =
                ByteBuffer.allocate(60_000 + 2 * frames + 64 * cues.length).order(ByteOrder.LITTLE_ENDIAN);
        file.put("RIFF\0\0\0\0WAVE".getBytes(StandardCharsets.ISO_8859_1));
        file.put("fmt ".getBytes(StandardCharsets.ISO_8859_1))
                .putInt(16)
                .putShort((short) 1)
                .putShort((short) 1)
                .putInt(rate)
                .putInt(2 * rate)
                .putShort((short) 2)
                .putShort((short) 16);
        file.put("data".getBytes(StandardCharsets.ISO_8859_1))
                .putInt(2 * frames)
                .position(file.position() + 2 * frames);
        file.put("cue ".getBytes(StandardCharsets.ISO_8859_1))
                .putInt(4 + 24 * cues.length)
                .putInt(cues.length);
        for (int i = 0; i < cues.length; i++) {
            file.putInt(i + 1)
                    .putInt(cues[i])
                    .put("data".getBytes(StandardCharsets.ISO_8859_1))
                    .putInt(0)
                    .putInt(0)
                    .putInt(cues[i]);
        }
        ByteBuffer labels = ByteBuffer.allocate(40 * cues.length).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < cues.length; i++) {
            byte[] text = ("Bar " + i + "\0").getBytes(StandardCharsets.ISO_8859_1);
            labels.put("labl".getBytes(StandardCharsets.ISO_8859_1))
                    .putInt(4 + text.length)
                    .putInt(i + 1)
                    .put(text);
            labels.position(labels.position() + (text.length & 1));
        }
        file.put("LIST".getBytes(StandardCharsets.ISO_8859_1))
                .putInt(4 + labels.position())
                .put("adtl".getBytes(StandardCharsets.ISO_8859_1))
                .put(labels.array(), 0, labels.position());
        file.putInt(4, file.position() - 8);
        return Arrays.copyOf(file.array(), file.position());
    }

    /** Debian's {@code sndfile-info} (package sndfile-programs) reads the same file, and prints the same cue points with their labels. */
    @Test
    void cuePointsOfWavFilesAreThoseThatSndfileInfoPrints(@TempDir Path folder) throws Exception {
        Path path = folder.resolve("song.wav");
        Files.write(path, wav(44_100, 44_100 * 4, 0, 22_050, 44_100, 100_001, 150_000));

        List<Marker> read = ((Marker.Read.Good) WavMarkers.read(ByteBuffer.wrap(Files.readAllBytes(path)))).markers();
        Process info = new ProcessBuilder("sndfile-info", path.toString())
                .redirectErrorStream(true)
                .start();
        String printed = new String(info.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        List<Double> offsets = Pattern.compile("Cue ID : .*Offset : +(\\d+)")
                .matcher(printed)
                .results()
                .map(point -> Long.parseLong(point.group(1)) / 44_100.0)
                .toList();
        List<String> labels = Pattern.compile("labl : \\d+ : (.*)")
                .matcher(printed)
                .results()
                .map(label -> label.group(1))
                .toList();
        assertThat(offsets).hasSize(5);
        assertThat(read).extracting(Marker::seconds).isEqualTo(offsets);
        assertThat(read).extracting(Marker::name).isEqualTo(labels);
    }

    /** Several chunks of cue points are one list. */
    @Test
    void theMostCuePointsAreThoseOfTheFile() {
        byte[] first = wav(8_000, 100, new int[6_000]);
        // the chunk of cue points once more, behind all
        int size = 8 + 4 + 6_000 * 24;
        int at = new String(first, StandardCharsets.ISO_8859_1).indexOf("cue ");
        byte[] both = Arrays.copyOf(first, first.length + size);
        System.arraycopy(first, at, both, first.length, size);
        assertThat(WavMarkers.read(ByteBuffer.wrap(first))).isInstanceOf(Marker.Read.Good.class);
        assertThat(((Marker.Read.Bad) WavMarkers.read(ByteBuffer.wrap(both))).reason())
                .contains("more than 10000 cue points");
    }

    @Test
    void aBrokenWavFileSaysWhereItBreaks() {
        byte[] file = wav(8_000, 100, 10, 20);
        assertThat(((Marker.Read.Bad) WavMarkers.read(ByteBuffer.wrap(Arrays.copyOf(file, 60)))).reason())
                .isEqualTo("The part “data” of this WAV file goes beyond its end (byte 36)");
        ByteBuffer counted =
                ByteBuffer.wrap(file.clone()).order(ByteOrder.LITTLE_ENDIAN).putInt(44 + 200 + 8, 5_000);
        assertThat(((Marker.Read.Bad) WavMarkers.read(counted.rewind())).reason())
                .startsWith("This WAV file counts more cue points than it holds");
        assertThat(WavMarkers.read(ByteBuffer.wrap("no sound".getBytes(StandardCharsets.US_ASCII))))
                .isInstanceOf(Marker.Read.Bad.class);
        Random random = new Random(6);
        for (int i = 0; i < 20_000; i++) {
            byte[] hurt = file.clone();
            hurt[random.nextInt(hurt.length)] = (byte) random.nextInt();
            hurt[random.nextInt(hurt.length)] = (byte) random.nextInt();
            assertThat(WavMarkers.read(ByteBuffer.wrap(hurt))).isNotNull();
        }
    }

    // ---- tables

    /** Names and lengths beside the points: parts of odd length are followed by a byte that says nothing. */
    @Test
    void pointsOfAWavFileHaveNamesAndLengths() {
        ByteBuffer file = ByteBuffer.allocate(256).order(ByteOrder.LITTLE_ENDIAN);
        file.put(ascii("RIFF")).putInt(0).put(ascii("WAVE"));
        file.put(ascii("fmt ")).putInt(16).putShort((short) 1).putShort((short) 1);
        file.putInt(1_000).putInt(2_000).putShort((short) 2).putShort((short) 16);
        file.put(ascii("cue ")).putInt(4 + 2 * 24).putInt(2);
        file.putInt(1).putInt(0).put(ascii("data")).putInt(0).putInt(0).putInt(500);
        file.putInt(2).putInt(0).put(ascii("data")).putInt(0).putInt(0).putInt(250);
        file.put(ascii("LIST")).putInt(4 + 16 + 16 + 15).put(ascii("adtl"));
        file.put(ascii("labl")).putInt(7).putInt(1).put(ascii("Odd")).put((byte) 0);
        file.put(ascii("ltxt")).putInt(8).putInt(1).putInt(250);
        file.put(ascii("labl")).putInt(7).putInt(2).put(ascii("Two"));
        file.flip();
        Marker.Read.Good read = (Marker.Read.Good) WavMarkers.read(file);
        assertThat(read.markers()).containsExactly(new Marker("Two", 0.25, 0), new Marker("Odd", 0.5, 0.25));
        assertThat(read.notes()).isEmpty();
    }

    /** Of each kind of event one, written by hand after the Standard MIDI Files specification 1.0. */
    @Test
    void aMidiFileIsReadPastEventsOfEachKind() {
        String file = "4D546864 00000008 0001 0001 0064 0000 4D54726B 00000037 "
                + "00FF510307A120 00F00201F7 0A903C40 0A3C00 0AC005 0A06 3CFF060141 64FF51030F4240 "
                + "64FF060142 8148FF060143 00FF0106414243444546 00FF2F00";
        byte[] bytes = HexFormat.of().parseHex(file.replace(" ", ""));
        int track = bytes.length - 24;
        bytes[23] = (byte) track;
        Marker.Read.Good read = (Marker.Read.Good) MidiMarkers.read(bytes);
        assertThat(read.markers()).containsExactly(Marker.at(0.5, "A"), Marker.at(2, "B"), Marker.at(4, "C"));
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    private static Marker.Read.Good table(String text) {
        return (Marker.Read.Good) MarkerTable.read(text, FrameRate.FPS_29_97_DROP);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "name,start\nVerse,12.5\nChorus,0:40.250",
                "12.5,Verse\r\n40.25,Chorus\r\n",
                "Verse\t12,5\nChorus\t0:40,250\n",
                "name;position\nVerse;12,5\nChorus;40,25",
                "#,Name,Start,End,Length\nM1,Verse,0:12.500,,\nM2,Chorus,40.25,,",
                "1,Verse,0:12.5\n2,Chorus,0:40.25",
                "\uFEFFtime,name\n40.25,Chorus\n\n12.5,Verse"
            })
    void tablesAreReadAsTheyAreWritten(String text) {
        assertThat(table(text))
                .isEqualTo(
                        new Marker.Read.Good(List.of(Marker.at(12.5, "Verse"), Marker.at(40.25, "Chorus")), List.of()));
    }

    @Test
    void framesInATableAreCountedAtItsRateAndWrongOnesToldWithTheirRow() {
        Marker.Read.Good read = table("name,time\nA,00:01:00;02\nB,00:01:00;01\nC,00:00:10;30\nD,later\n");

        assertThat(read.markers()).extracting(Marker::name).containsExactly("A");
        assertThat(read.markers().get(0).seconds()).isCloseTo(1_800 * 1_001 / 30_000.0, within(1e-9));
        assertThat(read.notes())
                .containsExactly(
                        "Row 3: “00:01:00;01”: drop-frame counting leaves this number out; the next one is 00:01:00:02",
                        "Row 4: “00:00:10;30”: at 29.97 drop-frame frames are counted 00 to 29",
                        "Row 5: “later” is no time: write seconds such as 12.5, minutes such as 1:02.5, or frames such as 00:01:02:12");
    }

    @Test
    void sectionsHaveALengthOrAnEndAndAllIsReadBackAsItWasWritten() {
        assertThat(table("name,start,end,length\nVerse,10,20,\nChorus,20,,8.5\n")
                        .markers())
                .containsExactly(new Marker("Verse", 10, 10), new Marker("Chorus", 20, 8.5));
        List<Marker> markers = List.of(
                new Marker("=1+1", 0.5, 0), new Marker("A, \"quoted\"", 61.125, 3.25), new Marker("", 4_000, 0));
        assertThat(table(MarkerTable.write(markers)).markers()).isEqualTo(markers);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|There is nothing in this table",
                "'a,b'|No column of this table holds times. Give it titles: “time” and “name”",
                "'time,name\n\"1,x'|This is no table"
            })
    void whatIsNoTableIsRefusedInWords(String text, String reason) {
        assertThat(((Marker.Read.Bad) MarkerTable.read(text.replace("\\n", "\n"), FrameRate.FPS_25)).reason())
                .startsWith(reason);
    }
}
