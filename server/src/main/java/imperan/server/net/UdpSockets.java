package imperan.server.net;

import imperan.osc.OscDecoder;
import imperan.show.PartId;
import io.netty.bootstrap.Bootstrap;
import io.netty.channel.Channel;
import io.netty.channel.ChannelFuture;
import io.netty.channel.ChannelOption;
import io.netty.channel.FixedRecvByteBufAllocator;
import io.netty.channel.MultiThreadIoEventLoopGroup;
import io.netty.channel.nio.NioIoHandler;
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
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
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
public final class UdpSockets implements AutoCloseable {

    /** Asked for at each socket; the system may grant fewer. */
    public static final int RECEIVE_BUFFER_BYTES = 4 << 20;
    private static final long RETRY_SECONDS = 1;

    private record EarKey(String address, int port) {
    }

    private record MouthKey(EarKey ear, String host, int port) {
    }

    private final UdpListener listener;
    private final MultiThreadIoEventLoopGroup group = new MultiThreadIoEventLoopGroup(1, NioIoHandler.newFactory());
    private final ScheduledExecutorService opener =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "sockets"));
    private final Map<EarKey, Channel> ears = new HashMap<>();
    private final Map<MouthKey, Mouth> mouths = new HashMap<>();
    private final Map<PartId, Mouth> mouthOf = new ConcurrentHashMap<>();
    private Collection<Endpoint> wanted = List.of();

    public UdpSockets(UdpListener listener) {
        this.listener = listener;
    }

    /** Opens and closes sockets until they fit the endpoints. Returns at once; the listener hears how each one went. */
    public void reconcile(Collection<Endpoint> endpoints) {
        Collection<Endpoint> copy = List.copyOf(endpoints);
        opener.execute(() -> {
            wanted = copy;
            reconcile();
        });
    }

    /** Sends from the target's answer port; a target without an open socket gets nothing, as its listener knows. */
    public void send(PartId target, byte[] packet) {
        Mouth mouth = mouthOf.get(target);
        if (mouth != null) {
            mouth.send(packet);
        }
    }

    private void reconcile() {
        Set<EarKey> wantedEars = new HashSet<>();
        Map<MouthKey, Set<PartId>> byMouth = new HashMap<>();
        Map<Integer, Boolean> localOnly = new HashMap<>();
        wanted.forEach(e -> localOnly.merge(e.answerPort(), e.host().startsWith("127."), Boolean::logicalAnd));
        for (Endpoint e : wanted) {
            EarKey ear = new EarKey(localOnly.get(e.answerPort()) ? "127.0.0.1" : "0.0.0.0", e.answerPort());
            wantedEars.add(ear);
            byMouth.computeIfAbsent(new MouthKey(ear, e.host(), e.port()), k -> new HashSet<>()).add(e.target());
        }
        close(mouths, byMouth.keySet(), Mouth::channel);
        close(ears, wantedEars, channel -> channel);
        Map<EarKey, String> earTroubles = new HashMap<>();
        wantedEars.forEach(key -> earTroubles.put(key, openEar(key)));
        Map<PartId, SocketState> states = new HashMap<>();
        byMouth.forEach((key, targets) -> {
            String trouble = earTroubles.get(key.ear());
            SocketState state = trouble.isEmpty() ? openMouth(key, targets) : SocketState.troubled(trouble);
            targets.forEach(target -> {
                states.put(target, state);
                if (state.trouble().isEmpty()) {
                    mouthOf.put(target, mouths.get(key));
                } else {
                    mouthOf.remove(target);
                }
            });
        });
        mouthOf.keySet().retainAll(states.keySet());
        listener.sockets(Map.copyOf(states));
        if (states.values().stream().anyMatch(s -> !s.trouble().isEmpty())) {
            opener.schedule((Runnable) this::reconcile, RETRY_SECONDS, TimeUnit.SECONDS);
        }
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

    private String openEar(EarKey key) {
        if (ears.containsKey(key)) {
            return "";
        }
        InetSocketAddress local = new InetSocketAddress(key.address(), key.port());
        try (DatagramSocket probe = new DatagramSocket(null)) {
            probe.setReuseAddress(false);
            probe.bind(local);
        } catch (IOException e) {
            return "Port " + key.port() + " on this machine is taken by another program (" + e.getMessage() + ")";
        }
        ChannelFuture opened = bootstrap(Set.of()).channel(NioDatagramChannel.class).bind(local).awaitUninterruptibly();
        if (!opened.isSuccess()) {
            return "Port " + key.port() + " on this machine does not open (" + opened.cause().getMessage() + ")";
        }
        ears.put(key, opened.channel());
        return "";
    }

    private SocketState openMouth(MouthKey key, Set<PartId> targets) {
        if (mouths.containsKey(key)) {
            mouths.get(key).channel().pipeline().get(UdpInbound.class).targets(targets);
            return state(mouths.get(key).channel());
        }
        DatagramChannel socket;
        try {
            socket = DatagramChannel.open(StandardProtocolFamily.INET);
        } catch (IOException e) {
            return SocketState.troubled("This machine gives us no socket (" + e.getMessage() + ")");
        }
        ChannelFuture opened = bootstrap(targets).channelFactory(() -> new NioDatagramChannel(socket))
                .connect(new InetSocketAddress(key.host(), key.port()),
                        new InetSocketAddress(key.ear().address(), key.ear().port())).awaitUninterruptibly();
        if (!opened.isSuccess()) {
            return SocketState.troubled(key.host() + " cannot be reached from this machine ("
                    + opened.cause().getMessage() + ")");
        }
        mouths.put(key, new Mouth(opened.channel(), socket));
        return state(opened.channel());
    }

    private static SocketState state(Channel mouth) {
        return new SocketState("", ((InetSocketAddress) mouth.localAddress()).getAddress().getHostAddress());
    }

    private Bootstrap bootstrap(Set<PartId> targets) {
        return new Bootstrap().group(group)
                .option(ChannelOption.SO_REUSEADDR, true)
                .option(ChannelOption.SO_RCVBUF, RECEIVE_BUFFER_BYTES)
                .option(ChannelOption.RECVBUF_ALLOCATOR, new FixedRecvByteBufAllocator(OscDecoder.UDP_MAX_BYTES))
                .handler(new UdpInbound(listener, targets));
    }

    @Override
    public void close() {
        opener.shutdownNow();
        group.shutdownGracefully(0, 2, TimeUnit.SECONDS).syncUninterruptibly();
    }
}
