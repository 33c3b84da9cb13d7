package imperan.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class OwnCertificateTest {

    @TempDir
    private Path folder;

    @Test
    void itIsKeptWhileItFitsAndMadeAnewForOtherAddresses() throws Exception {
        OwnCertificate certificate = new OwnCertificate(folder.resolve("deep/network.p12"), "correct horse");
        certificate.makeFor(Set.of("127.0.0.1", "192.0.2.10"));
        String first = certificate.fingerprint();
        assertThat(first).matches("([0-9A-F]{2}:){31}[0-9A-F]{2}");
        assertThat(certificate.certificate().getSubjectAlternativeNames().toString())
                .contains("192.0.2.10", "localhost");
        certificate.makeFor(Set.of("192.0.2.10"));
        assertThat(certificate.fingerprint()).as("it still fits").isEqualTo(first);
        certificate.makeFor(Set.of("192.0.2.77"));
        assertThat(certificate.fingerprint()).isNotEqualTo(first);
    }

    @Test
    void itIsForItsOwnerOnlyAndOneFromBeforeIsMadeAnew() throws Exception {
        Path file = folder.resolve("network.p12");
        new OwnCertificate(file, "as it was").makeFor(Set.of("127.0.0.1"));
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                .isEqualTo("rw-------");
        OwnCertificate other = new OwnCertificate(file, "as it is now");
        other.makeFor(Set.of("127.0.0.1"));
        assertThat(other.fingerprint()).isNotEmpty();
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left).as("nothing else is left").containsExactly(file);
        }
    }
}
