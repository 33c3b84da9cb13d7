package imperan.server.access;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

import java.nio.file.Path;
import java.util.Set;

import static org.assertj.core.api.Assertions.assertThat;

class OwnCertificateTest {

    @TempDir
    private Path folder;

    @Test
    void itIsKeptWhileItFitsAndMadeAnewForOtherAddresses() throws Exception {
        OwnCertificate certificate = new OwnCertificate(folder.resolve("deep/network.p12"));
        certificate.makeFor(Set.of("127.0.0.1", "192.0.2.10"));
        String first = certificate.fingerprint();
        assertThat(first).matches("([0-9A-F]{2}:){31}[0-9A-F]{2}");
        assertThat(certificate.certificate().getSubjectAlternativeNames().toString()).contains("192.0.2.10", "localhost");
        certificate.makeFor(Set.of("192.0.2.10"));
        assertThat(certificate.fingerprint()).as("it still fits").isEqualTo(first);
        certificate.makeFor(Set.of("192.0.2.77"));
        assertThat(certificate.fingerprint()).isNotEqualTo(first);
    }
}
