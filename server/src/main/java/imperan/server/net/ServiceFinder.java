package imperan.server.net;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javax.jmdns.JmDNS;
import javax.jmdns.ServiceEvent;
import javax.jmdns.ServiceInfo;
import javax.jmdns.ServiceListener;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Finds what announces itself on the network (multicast DNS service discovery, RFC 6762 and 6763) as speaking OSC or OSCQuery. It
 * listens only while somebody looks.
 */
@Component
public class ServiceFinder implements AutoCloseable {

    /** OSC over UDP, and OSCQuery over HTTP. */
    static final List<String> KINDS = List.of("_osc._udp.local.", "_oscjson._tcp.local.");

    private static final Logger LOG = LoggerFactory.getLogger(ServiceFinder.class);
    private static final long UNWATCHED_SECONDS = 30;
    /** Services that are listed; nobody looks through more. */
    private static final int MOST_FOUND = 500;

    /**
     * Something that was found.
     *
     * @param name  as it calls itself
     * @param kind  {@code _osc._udp} or {@code _oscjson._tcp}
     * @param host  its address
     * @param port  where it receives, or serves
     */
    public record FoundService(String name, String kind, String host, int port) {}

    private final ScheduledExecutorService thread =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "service-finder"));
    private final Map<String, FoundService> found = new ConcurrentHashMap<>();
    private final List<JmDNS> ears = new ArrayList<>();
    private volatile long lookedAt;

    /** What is there now, by name. Whoever asks again and again within half a minute keeps the ears open. */
    public Collection<FoundService> look() {
        lookedAt = System.nanoTime();
        thread.execute(this::listen);
        return found.values().stream()
                .sorted(Comparator.comparing(FoundService::name).thenComparing(FoundService::kind))
                .toList();
    }

    private void listen() {
        if (!ears.isEmpty()) {
            return;
        }
        for (String address : addresses()) {
            try {
                JmDNS ear = JmDNS.create(InetAddress.getByName(address), null);
                ears.add(ear);
                KINDS.forEach(kind -> ear.addServiceListener(kind, new Hearing()));
            } catch (IOException e) {
                LOG.warn("Nothing can be found by way of {}: {}", address, e.getMessage());
            }
        }
        thread.schedule(this::endIfUnwatched, UNWATCHED_SECONDS, TimeUnit.SECONDS);
    }

    private static List<String> addresses() {
        return ThisMachine.adapters().stream()
                .flatMap(adapter -> adapter.addresses().stream())
                .map(prefix -> prefix.address().toString())
                .toList();
    }

    private void endIfUnwatched() {
        if (System.nanoTime() - lookedAt > UNWATCHED_SECONDS * 1_000_000_000L) {
            end();
        } else {
            thread.schedule(this::endIfUnwatched, UNWATCHED_SECONDS, TimeUnit.SECONDS);
        }
    }

    private void end() {
        for (JmDNS ear : ears) {
            try {
                ear.close();
            } catch (IOException e) {
                LOG.warn("An ear for announcements did not close: {}", e.getMessage());
            }
        }
        ears.clear();
        found.clear();
    }

    private final class Hearing implements ServiceListener {

        @Override
        public void serviceAdded(ServiceEvent event) {
            event.getDNS().requestServiceInfo(event.getType(), event.getName());
        }

        @Override
        public void serviceRemoved(ServiceEvent event) {
            found.remove(event.getType() + event.getName());
        }

        @Override
        public void serviceResolved(ServiceEvent event) {
            ServiceInfo info = event.getInfo();
            for (Inet4Address address : info.getInet4Addresses()) {
                if (found.size() >= MOST_FOUND && !found.containsKey(event.getType() + event.getName())) {
                    return;
                }
                found.put(
                        event.getType() + event.getName(),
                        new FoundService(
                                event.getName(),
                                event.getType().replaceFirst("\\.local\\.$", ""),
                                address.getHostAddress(),
                                info.getPort()));
            }
        }
    }

    @Override
    public void close() {
        thread.execute(this::end);
        thread.shutdown();
    }
}
