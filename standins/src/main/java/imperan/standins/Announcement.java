package imperan.standins;

import java.io.IOException;
import java.net.InetAddress;
import java.util.List;
import java.util.Map;
import javax.jmdns.JmDNS;
import javax.jmdns.ServiceInfo;

/** Announces the devices on loopback, as those on a network do (multicast DNS service discovery, RFC 6762 and 6763). */
public final class Announcement implements AutoCloseable {

    private final JmDNS voice;

    /**
     * @param posts    the devices
     * @param pagePort where OSCQuery JSON is served
     * @throws IOException where this machine lets nobody announce anything
     */
    public Announcement(List<Post> posts, int pagePort) throws IOException {
        voice = JmDNS.create(InetAddress.getLoopbackAddress(), "imperan-stand-ins");
        for (Post post : posts) {
            if (post instanceof UdpPost) {
                voice.registerService(ServiceInfo.create("_osc._udp.local.", post.name(), post.port(), ""));
            }
            if (post.name().equals("Eddy")) {
                voice.registerService(ServiceInfo.create(
                        "_oscjson._tcp.local.", post.name(), pagePort, 0, 0, Map.of("path", "/eddy")));
            }
        }
    }

    @Override
    public void close() {
        voice.unregisterAllServices();
        try {
            voice.close();
        } catch (IOException e) {
            System.err.println("The announcement did not end cleanly: " + e.getMessage());
        }
    }
}
