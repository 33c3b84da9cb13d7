package imperan.export;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.proof.report.Report;
import imperan.proof.report.Reports;
import imperan.proof.report.Verdict;
import java.io.ByteArrayInputStream;
import java.io.InputStreamReader;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.maven.plugin.surefire.log.api.NullConsoleLogger;
import org.apache.maven.plugins.surefire.report.ReportTestCase;
import org.apache.maven.plugins.surefire.report.ReportTestSuite;
import org.apache.maven.plugins.surefire.report.TestSuiteXmlParser;
import org.junit.jupiter.api.Test;

/** Read by others: the JUnit XML by Maven Surefire's own parser of such reports, the table by Apache Commons CSV. */
class ReportFormatsTest {

    private static final Report REPORT = Reports.of(
            Reports.line("1", Verdict.CONFIRMED),
            Reports.line("2", Verdict.ONE_WAY),
            Reports.line("3", Verdict.INTERMITTENT));

    @Test
    void buildServersReadWhatFellShort() throws Exception {
        byte[] xml = ReportJUnit.write(REPORT).getBytes(StandardCharsets.UTF_8);
        List<ReportTestSuite> suites = new TestSuiteXmlParser(new NullConsoleLogger())
                .parse(new InputStreamReader(new ByteArrayInputStream(xml), StandardCharsets.UTF_8));
        assertThat(suites).hasSize(1);
        ReportTestSuite suite = suites.get(0);
        assertThat(suite.getNumberOfTests()).isEqualTo(3);
        assertThat(suite.getNumberOfFailures()).isEqualTo(1);
        assertThat(suite.getNumberOfSkipped()).isEqualTo(1);
        assertThat(suite.getTestCases())
                .filteredOn(ReportTestCase::hasFailure)
                .singleElement()
                .satisfies(failed -> {
                    assertThat(failed.getName()).isEqualTo("Wheel <1> & Co /in/3");
                    assertThat(failed.getFailureMessage()).isEqualTo("intermittent");
                    assertThat(failed.getFailureDetail())
                            .contains("8 of 12 taken")
                            .contains("get lost on the way");
                });
    }

    @Test
    void spreadsheetsReadEachLine() throws Exception {
        List<CSVRecord> rows = CSVParser.parse(
                        new StringReader(ReportCsv.write(REPORT)),
                        CSVFormat.RFC4180
                                .builder()
                                .setHeader()
                                .setSkipHeaderRecord(true)
                                .get())
                .getRecords();
        assertThat(rows).hasSize(3);
        assertThat(rows.get(0).get("verdict")).isEqualTo("intermittent");
        assertThat(rows.get(0).get("answered")).isEqualTo("8");
        assertThat(rows.get(0).get("median ms")).isEqualTo("1.5");
        assertThat(rows.get(0).get("answer")).isEqualTo("\"a, b\"");
        assertThat(rows.get(0).get("likely cause")).startsWith("Some messages or answers get lost");
        assertThat(rows.get(2).get("likely cause")).isEmpty();
    }
}
