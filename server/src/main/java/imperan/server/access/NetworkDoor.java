package imperan.server.access;

import imperan.rig.AddressUse;
import imperan.rig.Ipv4;
import imperan.server.net.ThisMachine;
import imperan.server.run.StartLog;
import imperan.server.store.SettingStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.catalina.LifecycleException;
import org.apache.catalina.LifecycleState;
import org.apache.catalina.connector.Connector;
import org.apache.tomcat.util.net.SSLHostConfig;
import org.apache.tomcat.util.net.SSLHostConfigCertificate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.tomcat.TomcatWebServer;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Whether devices on the network may open Imperan. Shut until somebody at this machine opens it; then it listens on all addresses,
 * encrypted, and asks the show key of everybody who is not on this machine.
 */
@Component
public class NetworkDoor {

    private static final Logger LOG = LoggerFactory.getLogger(NetworkDoor.class);

    /**
     * @param open        whether the network is let in
     * @param port        of ours that they use
     * @param addresses   where to open Imperan from a phone or tablet, while the door is open
     * @param key         what they are asked for, once
     * @param fingerprint of the certificate, to be compared on the phone; empty before the first opening
     */
    public record Door(boolean open, int port, List<String> addresses, String key, String fingerprint) {}

    private static final int NETWORK_THREADS = 48;
    private static final int NETWORK_CONNECTIONS = 400;

    private final ServletWebServerApplicationContext context;
    private final SettingStore settings;
    private final OwnCertificate certificate;
    private final int port;
    private final ShowKeys keys;
    private final StartLog startLog;
    private Connector connector;

    NetworkDoor(
            ServletWebServerApplicationContext context,
            SettingStore settings,
            @Value("${imperan.network.port}") int port,
            @Value("${imperan.network.folder}") String folder,
            StartLog startLog) {
        this.startLog = startLog;
        this.context = context;
        this.settings = settings;
        this.port = port;
        this.certificate = new OwnCertificate(
                Path.of(folder, "network.p12"), settings.getOrPut("network.store", NetworkDoor::secret));
        String secret = settings.getOrPut("network.secret", NetworkDoor::secret);
        this.keys = new ShowKeys(
                settings.getOrPut("network.key", ShowKeys::fresh),
                HexFormat.of().parseHex(secret));
    }

    private static String secret() {
        byte[] secret = new byte[32];
        new SecureRandom().nextBytes(secret);
        return HexFormat.of().formatHex(secret);
    }

    ShowKeys keys() {
        return keys;
    }

    /** A door that was open when the server ended is opened again. */
    @EventListener(ApplicationReadyEvent.class)
    void openAgain() {
        if (settings.get("network.open").filter("true"::equals).isPresent()) {
            open().ifPresent(why -> LOG.warn("The network is not let in: {}", why));
        }
    }

    /** Lets the network in; one sentence where that fails. */
    public synchronized Optional<String> open() {
        if (connector != null) {
            return Optional.empty();
        }
        Connector made = new Connector("HTTP/1.1");
        try {
            certificate.makeFor(ownAddresses());
            made.setPort(port);
            made.setProperty("address", "0.0.0.0");
            made.setScheme("https");
            made.setSecure(true);
            made.setProperty("SSLEnabled", "true");
            // threads and connections of its own: whatever the network does with them, this machine keeps its own
            made.setProperty("maxThreads", String.valueOf(NETWORK_THREADS));
            made.setProperty("maxConnections", String.valueOf(NETWORK_CONNECTIONS));
            made.setProperty("acceptCount", String.valueOf(NETWORK_THREADS));
            made.setProperty("connectionTimeout", "10000");
            made.setProperty("maxSwallowSize", "0");
            made.setProperty("maxHttpRequestHeaderSize", "16384");
            SSLHostConfig ssl = new SSLHostConfig();
            SSLHostConfigCertificate own = new SSLHostConfigCertificate(ssl, SSLHostConfigCertificate.Type.EC);
            own.setCertificateKeystoreFile(certificate.file().toAbsolutePath().toString());
            own.setCertificateKeystorePassword(certificate.password());
            own.setCertificateKeyAlias(OwnCertificate.ALIAS);
            own.setCertificateKeystoreType("PKCS12");
            ssl.addCertificate(own);
            made.addSslHostConfig(ssl);
            ((TomcatWebServer) context.getWebServer()).getTomcat().getService().addConnector(made);
            if (made.getState() != LifecycleState.STARTED) {
                throw new LifecycleException("port " + port + " does not open; is it taken?");
            }
        } catch (IOException | LifecycleException | RuntimeException e) {
            LOG.warn("The door to the network stays shut", e);
            discard(made);
            startLog.failed("Phones and tablets are not let in: " + e.getMessage());
            return Optional.of("The door to the network stays shut: " + e.getMessage());
        }
        connector = made;
        settings.put("network.open", "true");
        LOG.info("The network is let in on port {}", connector.getLocalPort());
        startLog.done("Phones and tablets are let in on port " + connector.getLocalPort());
        return Optional.empty();
    }

    /** Shuts the network out; whoever is in from there is cut off. */
    public synchronized void shut() {
        settings.put("network.open", "false");
        if (connector != null) {
            discard(connector);
            connector = null;
            LOG.info("The network is shut out");
        }
    }

    private void discard(Connector gone) {
        try {
            ((TomcatWebServer) context.getWebServer()).getTomcat().getService().removeConnector(gone);
            if (gone.getState() != LifecycleState.DESTROYED) {
                gone.destroy();
            }
        } catch (LifecycleException e) {
            LOG.warn("The door to the network did not shut cleanly", e);
        }
    }

    /** Another key from now on; everybody on the network is asked again. */
    public void changeKey() {
        keys.change(ShowKeys.fresh());
        settings.put("network.key", keys.key());
        context.publishEvent(new KeyChanged());
    }

    public synchronized Door door() {
        List<String> addresses = connector == null
                ? List.of()
                : ownAddresses().stream()
                        .filter(address -> !address.startsWith("127."))
                        .map(address -> "https://" + address + ":" + connector.getLocalPort())
                        .toList();
        return new Door(
                connector != null,
                connector == null ? port : connector.getLocalPort(),
                addresses,
                keys.key(),
                fingerprint());
    }

    private String fingerprint() {
        try {
            return Files.exists(certificate.file()) ? certificate.fingerprint() : "";
        } catch (IOException | GeneralSecurityException e) {
            return "";
        }
    }

    /** The certificate, for phones that are to trust it; empty before the first opening. */
    public Optional<byte[]> certificate() {
        try {
            return Files.exists(certificate.file())
                    ? Optional.of(certificate.certificate().getEncoded())
                    : Optional.empty();
        } catch (IOException | GeneralSecurityException e) {
            LOG.warn("The certificate cannot be read", e);
            return Optional.empty();
        }
    }

    /** All IPv4 addresses of this machine. */
    static Set<String> ownAddresses() {
        Set<String> own = new TreeSet<>();
        own.add("127.0.0.1");
        ThisMachine.adapters().forEach(adapter -> adapter.addresses()
                .forEach(prefix -> own.add(prefix.address().toString())));
        return own;
    }

    /** Is this one of the addresses of this machine? */
    public static boolean isThisMachine(String address) {
        return address.equals("0:0:0:0:0:0:0:1")
                || address.equals("::1")
                || Ipv4.parse(address).map(a -> a.use() == AddressUse.LOOPBACK).orElse(false)
                || ownAddresses().contains(address);
    }
}
