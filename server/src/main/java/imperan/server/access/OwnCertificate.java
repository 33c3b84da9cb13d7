package imperan.server.access;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.MessageDigest;
import java.security.cert.X509Certificate;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;

/**
 * The certificate that this installation makes for itself, valid for its own addresses. Nobody vouches for it, so a phone asks
 * once; it is made anew when the addresses change or it runs out.
 */
final class OwnCertificate {

    static final String ALIAS = "imperan";
    /** Phones refuse certificates that are valid for longer. */
    private static final int DAYS = 397;

    private static final int PATIENCE_SECONDS = 60;
    private static final int SUBJECT_ALTERNATIVE_IP = 7;

    private final Path file;
    private final String password;

    /**
     * @param file     where it is kept, as PKCS 12, for its owner only
     * @param password of that file
     */
    OwnCertificate(Path file, String password) {
        this.file = file;
        this.password = password;
    }

    String password() {
        return password;
    }

    Path file() {
        return file;
    }

    /** Makes it where it is missing, has run out, or is for other addresses. */
    void makeFor(Set<String> addresses) throws IOException {
        if (Files.exists(file) && isFor(addresses)) {
            return;
        }
        Path folder = file.toAbsolutePath().getParent();
        Files.createDirectories(folder);
        // made where only we may look, and moved when it is for our eyes only
        Path workplace = Files.createTempDirectory(folder, "certificate");
        Path made = workplace.resolve("made.p12");
        try {
            make(addresses, made);
            // asked of the file and not of its disk, which is not told in a changed root
            if (Files.getFileAttributeView(made, PosixFileAttributeView.class) != null) {
                Files.setPosixFilePermissions(made, PosixFilePermissions.fromString("rw-------"));
            }
            Files.move(made, file, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(made);
            Files.deleteIfExists(workplace);
        }
    }

    private void make(Set<String> addresses, Path made) throws IOException {
        String names = addresses.stream()
                .map(address -> "ip:" + address)
                .collect(Collectors.joining(",", "san=dns:localhost,", ""));
        List<String> command = List.of(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString(),
                "-genkeypair",
                "-alias",
                ALIAS,
                "-keyalg",
                "EC",
                "-groupname",
                "secp256r1",
                "-validity",
                String.valueOf(DAYS),
                "-dname",
                "CN=Imperan",
                "-ext",
                names,
                "-ext",
                "eku=serverAuth",
                "-keystore",
                made.toString(),
                "-storetype",
                "PKCS12",
                "-storepass:env",
                "IMPERAN_STORE");
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        // a command line can be read by everybody on this machine, an environment cannot
        builder.environment().put("IMPERAN_STORE", password);
        Process process = builder.start();
        try {
            if (!process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS) || process.exitValue() != 0) {
                throw new IOException("The certificate could not be made: "
                        + new String(process.getInputStream().readAllBytes()).strip());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("The certificate could not be made: the server is ending", e);
        }
    }

    private boolean isFor(Set<String> addresses) {
        try {
            X509Certificate certificate = certificate();
            certificate.checkValidity();
            Set<String> names = new TreeSet<>();
            for (List<?> name : certificate.getSubjectAlternativeNames()) {
                if (name.get(0).equals(SUBJECT_ALTERNATIVE_IP)) {
                    names.add((String) name.get(1));
                }
            }
            return names.containsAll(addresses);
        } catch (GeneralSecurityException | IOException e) {
            // it has run out, or is from before the file had a password of its own
            return false;
        }
    }

    X509Certificate certificate() throws IOException, GeneralSecurityException {
        KeyStore store = KeyStore.getInstance("PKCS12");
        try (var in = Files.newInputStream(file)) {
            store.load(in, password.toCharArray());
        }
        return (X509Certificate) store.getCertificate(ALIAS);
    }

    /** As phones show it, to be compared. */
    String fingerprint() throws IOException, GeneralSecurityException {
        byte[] digest =
                MessageDigest.getInstance("SHA-256").digest(certificate().getEncoded());
        return HexFormat.ofDelimiter(":").withUpperCase().formatHex(digest);
    }
}
