package imperan.export;

import imperan.proof.report.LineResult;
import imperan.proof.report.Report;
import imperan.proof.report.TargetFigures;
import imperan.proof.report.TargetState;
import imperan.proof.report.Verdict;
import imperan.words.ProofWords;
import imperan.words.SuspectWords;
import java.io.StringWriter;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/**
 * A report as build servers keep it: each target and each line a test case, in the XML that test runners write. What failed is a failure;
 * what is undecided or was not tried is skipped.
 */
public final class ReportJUnit {

    private static final double NANOS_OF_SECOND = 1e9;
    private static final double MILLIS_OF_SECOND = 1e3;

    private final XMLStreamWriter xml;

    private ReportJUnit(XMLStreamWriter xml) {
        this.xml = xml;
    }

    public static String write(Report report) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            new ReportJUnit(xml).report(report);
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("A string can always be written to", e);
        }
        return text.toString();
    }

    private void report(Report report) throws XMLStreamException {
        xml.writeStartDocument("UTF-8", "1.0");
        xml.writeCharacters("\n");
        xml.writeStartElement("testsuite");
        attribute("name", "Imperan: " + report.show());
        attribute(
                "tests", String.valueOf(report.targets().size() + report.lines().size()));
        attribute(
                "failures",
                String.valueOf(report.count(Verdict.Standing.SHORT)
                        + report.targets().stream().filter(TargetFigures::fails).count()));
        attribute("errors", "0");
        attribute(
                "skipped",
                String.valueOf(report.count(Verdict.Standing.UNDECIDED)
                        + report.count(Verdict.Standing.NOT_TRIED)
                        + report.targets().stream()
                                .filter(ReportJUnit::isSkipped)
                                .count()));
        attribute("time", seconds((report.endedAt() - report.startedAt()) / MILLIS_OF_SECOND));
        attribute(
                "timestamp",
                Instant.ofEpochMilli(report.startedAt())
                        .atOffset(ZoneOffset.UTC)
                        .toLocalDateTime()
                        .withNano(0)
                        .toString());
        xml.writeCharacters("\n");
        for (TargetFigures target : report.targets()) {
            target(target);
        }
        for (LineResult line : report.lines()) {
            line(line);
        }
        xml.writeEndElement();
        xml.writeCharacters("\n");
        xml.writeEndDocument();
    }

    private static boolean isSkipped(TargetFigures target) {
        return target.state().filter(TargetState.NOT_TRIED::equals).isPresent();
    }

    private void target(TargetFigures target) throws XMLStreamException {
        xml.writeStartElement("testcase");
        attribute("classname", "targets");
        attribute("name", target.name());
        attribute("time", seconds(target.median().orElse(0L) / NANOS_OF_SECOND));
        if (target.fails() || isSkipped(target)) {
            String word = ProofWords.target(target.state().orElseThrow());
            xml.writeStartElement(target.fails() ? "failure" : "skipped");
            attribute("message", word);
            if (target.fails()) {
                attribute("type", word);
                xml.writeCharacters(ProofWords.says(target));
            }
            xml.writeEndElement();
        }
        xml.writeEndElement();
        xml.writeCharacters("\n");
    }

    private void line(LineResult line) throws XMLStreamException {
        xml.writeStartElement("testcase");
        attribute(
                "classname",
                List.of(line.targetName(), line.page()).stream()
                        .filter(text -> !text.isBlank())
                        .map(text -> text.replace('.', '_'))
                        .reduce((a, b) -> a + "." + b)
                        .orElse("lines"));
        attribute("name", line.label() + " " + line.address());
        attribute("time", seconds(line.median().orElse(0L) / NANOS_OF_SECOND));
        Optional<String> element = line.verdict().fallsShort()
                ? Optional.of("failure")
                : line.verdict().standing() == Verdict.Standing.GOOD ? Optional.empty() : Optional.of("skipped");
        if (element.isPresent()) {
            xml.writeStartElement(element.get());
            attribute("message", ProofWords.verdict(line.verdict()));
            if (element.get().equals("failure")) {
                attribute("type", ProofWords.verdict(line.verdict()));
            }
            xml.writeCharacters(clean(ProofWords.says(line)
                    + line.suspects().stream()
                            .map(suspect -> "\n"
                                    + SuspectWords.of(suspect, line.targetName())
                                            .says())
                            .reduce("", String::concat)));
            xml.writeEndElement();
        }
        xml.writeEndElement();
        xml.writeCharacters("\n");
    }

    private void attribute(String name, String value) throws XMLStreamException {
        xml.writeAttribute(name, clean(value));
    }

    /** What XML cannot hold (XML 1.0, "Characters") is left out. */
    private static String clean(String text) {
        StringBuilder clean = new StringBuilder();
        text.codePoints()
                .filter(c -> c == '\t'
                        || c == '\n'
                        || c == '\r'
                        || c >= 0x20 && c <= 0xD7FF
                        || c >= 0xE000 && c <= 0xFFFD
                        || c >= 0x10000)
                .forEach(clean::appendCodePoint);
        return clean.toString();
    }

    private static String seconds(double seconds) {
        return String.format(Locale.ROOT, "%.3f", seconds);
    }
}
