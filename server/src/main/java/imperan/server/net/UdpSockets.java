package imperan.server.net;

import imperan.dialect.Dialect;
import imperan.dialect.Osc;
import imperan.live.SocketState;
import imperan.osc.OscDecoder;
import imperan.show.PartId;
import imperan.show.Reach;
import io.netty.bootstrap.Bootstrap;
import io.netty.channel.Channel;
import io.netty.channel.ChannelFuture;
import io.netty.channel.ChannelOption;
import io.netty.channel.EventLoopGroup;
import io.netty.channel.FixedRecvByteBufAllocator;
import io.netty.channel.socket.nio.NioDatagramChannel;
import java.io.IOException;
import java.net.DatagramSocket;
import java.net.InetSocketAddress;
import java.net.StandardProtocolFamily;
import java.nio.channels.DatagramChannel;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;

/**
 * The UDP sockets of the live show.
 *
 * <p>For each answer port one unconnected <em>ear</em>, and for each peer one <em>mouth</em> on the same local port,
 * connected to the peer. The mouth gets that peer's answers and its "port unreachable", which an unconnected socket never
 * hears of; the ear gets everybody else. Before an ear opens, its port is bound once without reuse: another program that
 * shares the port would take our packets without a word.
 */
public final class UdpSockets implements Carrier {

    /** Asked for at each socket; the system may grant fewer. */
    public static final int RECEIVE_BUFFER_BYTES = 4 << 20;

    private static final long RETRY_SECONDS = 1;
    /** Nothing that opens a socket takes longer. */
    private static final long CLOSING_SECONDS = 2;

    private record EarKey(String address, int port) {}

    /** @param from the address of ours to speak from; empty lets the system choose */
    private record MouthKey(EarKey ear, String from, String host, int port) {}

    private final TargetListener listener;
    private final EventLoopGroup group;
    private final ScheduledExecutorService opener =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "sockets"));
    private final Map<EarKey, Channel> ears = new HashMap<>();
    private final Map<MouthKey, Mouth> mouths = new HashMap<>();
    private final Map<PartId, Outlet> outlets = new ConcurrentHashMap<>();
    private Collection<Endpoint> wanted = List.of();
    private ScheduledFuture<?> retry;

    UdpSockets(TargetListener listener, EventLoopGroup group) {
        this.listener = listener;
        this.group = group;
    }

    @Override
    public boolean carries(Reach reach) {
        return !reach.isConnection();
    }

    @Override
    public void reconcile(Collection<Endpoint> endpoints) {
        Collection<Endpoint> copy = List.copyOf(endpoints);
        opener.execute(() -> {
            wanted = copy;
            reconcile();
        });
    }

    /** Sends from the target's answer port. */
    @Override
    public boolean send(PartId target, byte[] packet) {
        Outlet outlet = outlets.get(target);
        return outlet != null && outlet.send(target, packet);
    }

    private void reconcile() {
        Set<EarKey> wantedEars = new HashSet<>();
        Map<MouthKey, Set<PartId>> byMouth = new HashMap<>();
        Map<Integer, Boolean> localOnly = new HashMap<>();
        wanted.forEach(e -> localOnly.merge(e.answerPort(), e.host().startsWith("127."), Boolean::logicalAnd));
        for (Endpoint e : wanted) {
            EarKey ear = new EarKey(localOnly.get(e.answerPort()) ? "127.0.0.1" : "0.0.0.0", e.answerPort());
            wantedEars.add(ear);
            byMouth.computeIfAbsent(new MouthKey(ear, e.adapterAddress(), e.host(), e.port()), k -> new HashSet<>())
                    .add(e.target());
        }
        // a mouth whose network went away may not work again when it comes back
        mouths.entrySet().removeIf(entry -> !entry.getValue().channel().isOpen());
        close(mouths, byMouth.keySet(), Mouth::channel);
        close(ears, wantedEars, channel -> channel);
        Map<EarKey, Optional<SocketState>> earTroubles = new HashMap<>();
        wantedEars.forEach(key -> earTroubles.put(key, openEar(key)));
        Map<PartId, SocketState> states = new HashMap<>();
        byMouth.forEach((key, targets) -> {
            boolean broadcast = ThisMachine.isBroadcast(key.host());
            SocketState state = earTroubles
                    .get(key.ear())
                    .orElseGet(() -> broadcast ? state(ears.get(key.ear())) : openMouth(key, targets));
            targets.forEach(target -> {
                states.put(target, state);
                if (!state.works()) {
                    outlets.remove(target);
                } else if (broadcast) {
                    outlets.put(
                            target,
                            new Broadcast(
                                    ears.get(key.ear()),
                                    new InetSocketAddress(key.host(), key.port()),
                                    (one, packet, why) -> {
                                        listener.notSent(one, packet);
                                        away(targets, why);
                                    }));
                } else {
                    outlets.put(target, mouths.get(key));
                }
            });
        });
        outlets.keySet().retainAll(states.keySet());
        listener.sockets(Map.copyOf(states));
        if (states.values().stream().anyMatch(s -> !s.works())) {
            retryLater();
        }
    }

    /** Tries again what does not work, once: however often something asks for it, one try waits at most. */
    private synchronized void retryLater() {
        if (!opener.isShutdown() && (retry == null || retry.isDone())) {
            retry = opener.schedule(this::tryAgain, RETRY_SECONDS, TimeUnit.SECONDS);
        }
    }

    private void tryAgain() {
        synchronized (this) {
            retry = null;
        }
        reconcile();
    }

    private static <K, S> void close(Map<K, S> open, Set<K> keep, Function<S, Channel> channel) {
        open.entrySet().removeIf(entry -> {
            boolean gone = !keep.contains(entry.getKey());
            if (gone) {
                channel.apply(entry.getValue()).close().syncUninterruptibly();
            }
            return gone;
        });
    }

    /** Empty where the ear is open. */
    private Optional<SocketState> openEar(EarKey key) {
        if (ears.containsKey(key)) {
            return Optional.empty();
        }
        InetSocketAddress local = new InetSocketAddress(key.address(), key.port());
        try (DatagramSocket probe = new DatagramSocket(null)) {
            probe.setReuseAddress(false);
            probe.bind(local);
        } catch (IOException e) {
            return Optional.of(SocketState.taken(
                    "Port " + key.port() + " on this machine is taken by another program (" + e.getMessage() + ")"));
        }
        ChannelFuture opened = bootstrap(Set.of(), spoken(key))
                .channel(NioDatagramChannel.class)
                .bind(local)
                .awaitUninterruptibly();
        if (!opened.isSuccess()) {
            return Optional.of(SocketState.noWay("Port " + key.port() + " on this machine does not open ("
                    + opened.cause().getMessage() + ")"));
        }
        ears.put(key, opened.channel());
        return Optional.empty();
    }

    private SocketState openMouth(MouthKey key, Set<PartId> targets) {
        if (mouths.containsKey(key)) {
            mouths.get(key).channel().pipeline().get(UdpInbound.class).targets(targets, spoken(key.ear()));
            return state(mouths.get(key).channel());
        }
        DatagramChannel socket;
        try {
            socket = DatagramChannel.open(StandardProtocolFamily.INET);
        } catch (IOException e) {
            return SocketState.noWay("This machine gives us no socket (" + e.getMessage() + ")");
        }
        ChannelFuture opened = bootstrap(targets, spoken(key.ear()))
                .channelFactory(() -> new NioDatagramChannel(socket))
                .connect(
                        new InetSocketAddress(key.host(), key.port()),
                        new InetSocketAddress(
                                key.from().isEmpty() ? key.ear().address() : key.from(),
                                key.ear().port()))
                .awaitUninterruptibly();
        if (!opened.isSuccess()) {
            return SocketState.noWay(key.host() + " cannot be reached from this machine ("
                    + opened.cause().getMessage() + ")");
        }
        mouths.put(key, new Mouth(opened.channel(), socket, listener::notSent));
        return state(opened.channel());
    }

    /** What is spoken on an answer port: those who answer to one port speak alike, and if they do not, as the first of them. */
    private Dialect spoken(EarKey ear) {
        return wanted.stream()
                .filter(endpoint -> endpoint.answerPort() == ear.port())
                .findFirst()
                .map(Endpoint::spoken)
                .orElse(Osc.STRICT);
    }

    private static SocketState state(Channel socket) {
        return SocketState.open(
                ((InetSocketAddress) socket.localAddress()).getAddress().getHostAddress());
    }

    /** The socket of these targets cannot speak any more; it is opened anew until it can. */
    private void mouthWentAway(Channel mouth, Set<PartId> targets, String why) {
        mouth.close();
        away(targets, why);
    }

    private void away(Set<PartId> targets, String why) {
        Map<PartId, SocketState> states = new HashMap<>();
        targets.forEach(target -> states.put(
                target, SocketState.noWay("The network to it is away (" + why + "); it is tried again by itself")));
        listener.sockets(states);
        retryLater();
    }

    private Bootstrap bootstrap(Set<PartId> targets, Dialect spoken) {
        return new Bootstrap()
                .group(group)
                .option(ChannelOption.SO_REUSEADDR, true)
                .option(ChannelOption.SO_BROADCAST, true)
                .option(ChannelOption.SO_RCVBUF, RECEIVE_BUFFER_BYTES)
                .option(ChannelOption.RECVBUF_ALLOCATOR, new FixedRecvByteBufAllocator(OscDecoder.UDP_MAX_BYTES))
                .handler(new UdpInbound(listener, targets, spoken, this::mouthWentAway));
    }

    /** Closes them, one by one: a socket that is being opened while its event loop ends would be left to nobody, and keep its port. */
    @Override
    public void close() {
        synchronized (this) {
            // a try that waits for its time would be waited for
            if (retry != null) {
                retry.cancel(false);
            }
            opener.shutdown();
        }
        try {
            if (opener.awaitTermination(CLOSING_SECONDS, TimeUnit.SECONDS)) {
                close(mouths, Set.of(), Mouth::channel);
                close(ears, Set.of(), channel -> channel);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
