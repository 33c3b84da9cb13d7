package imperan.rehearsal;

import imperan.capture.Captured;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SocketState;
import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscMessage;
import imperan.rehearsal.Replayed.Followed;
import imperan.rehearsal.Replayed.Unfollowed;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Plays what came in a capture to a copy of a show that has no sockets, as fast as it goes: which controls follow, and what nobody listens to. */
public final class Replay implements LiveSink {

    private static final double NANOS_OF_MILLI = 1e6;

    private record Place(PartId target, String address) {}

    private final Show show;
    private final LiveShow live = new LiveShow(this);
    private final Map<Place, Set<PartId>> listeners = new LinkedHashMap<>();
    private final Map<Place, Integer> said = new LinkedHashMap<>();
    private final Set<String> strangers = new LinkedHashSet<>();
    private int messages;
    private int malformed;

    private Replay(Show show) {
        this.show = show;
        for (Part part : show.all(Control.class)) {
            if (!show.inDraft(part)) {
                for (Listen listen : ((Control) part.body()).listens()) {
                    listen.target().ifPresent(target -> listeners
                            .computeIfAbsent(new Place(target, listen.address()), place -> new LinkedHashSet<>())
                            .add(part.id()));
                }
            }
        }
    }

    /**
     * @param incoming packets that came, in the order of their times
     * @param as       the target that all of them are taken for; empty where each is its whose end it comes from
     */
    public static Replayed of(Show show, List<Captured> incoming, Optional<PartId> as) {
        Replay replay = new Replay(show);
        replay.play(incoming, as);
        return replay.result(incoming.size());
    }

    /** The packets that came until then, in milliseconds from the first on. */
    public static List<Captured> until(List<Captured> incoming, double millis) {
        int count = 0;
        while (count < incoming.size() && millis(incoming, count) <= millis) {
            count++;
        }
        return incoming.subList(0, count);
    }

    /** When a packet came, in milliseconds from the first on; one whose clock went back came with the first. */
    public static double millis(List<Captured> incoming, int place) {
        return Math.max(0, incoming.get(place).at() - incoming.get(0).at()) / NANOS_OF_MILLI;
    }

    private void play(List<Captured> incoming, Optional<PartId> as) {
        long now = incoming.isEmpty() ? 0 : incoming.get(0).at();
        live.load(show, now);
        for (Part target : show.all(Target.class)) {
            live.socket(target.id(), SocketState.open("0.0.0.0"), now);
        }
        OscDecoder decoder = new OscDecoder();
        for (Captured packet : incoming) {
            now = Math.max(now, packet.at());
            if (live.nextDue() <= now) {
                live.takeDue(now);
            }
            Optional<PartId> target = as.or(() -> whose(packet));
            if (target.isPresent()) {
                live.received(
                        target.get(),
                        packet.peerHost(),
                        packet.peerPort(),
                        packet.bytes(),
                        decoder.decode(packet.bytes()),
                        now);
            } else {
                strangers.add(packet.peerHost() + ":" + packet.peerPort());
            }
        }
        live.takeDue(now);
    }

    /** The target whose venue end or stand-in a packet comes from; else the only one of that host whose answers arrive on that port of ours. */
    private Optional<PartId> whose(Captured packet) {
        List<Part> targets = show.all(Target.class);
        return targets.stream()
                .filter(part -> ends((Target) part.body()).contains(packet.peerHost() + ":" + packet.peerPort()))
                .map(Part::id)
                .findFirst()
                .or(() -> {
                    List<Part> ofHost = targets.stream()
                            .filter(part -> ((Target) part.body()).answerPort() == packet.ourPort()
                                    && ends((Target) part.body()).stream()
                                            .anyMatch(end -> end.startsWith(packet.peerHost() + ":")))
                            .toList();
                    return ofHost.size() == 1 ? Optional.of(ofHost.get(0).id()) : Optional.empty();
                });
    }

    private static List<String> ends(Target target) {
        List<String> ends = new ArrayList<>(List.of(target.host() + ":" + target.port()));
        target.standIn().map((StandInEnd end) -> end.host() + ":" + end.port()).ifPresent(ends::add);
        return ends;
    }

    private Replayed result(int packets) {
        Map<PartId, Integer> followed = new LinkedHashMap<>();
        List<Unfollowed> unfollowed = new ArrayList<>();
        said.forEach((place, count) -> {
            Set<PartId> who = listeners.getOrDefault(place, Set.of());
            who.forEach(control -> followed.merge(control, count, Integer::sum));
            if (who.isEmpty()) {
                unfollowed.add(new Unfollowed(place.target(), place.address(), count));
            }
        });
        Set<PartId> spoke = new HashSet<>();
        said.keySet().forEach(place -> spoke.add(place.target()));
        List<PartId> silent = listeners.entrySet().stream()
                .filter(entry -> spoke.contains(entry.getKey().target()))
                .flatMap(entry -> entry.getValue().stream())
                .distinct()
                .filter(control -> !followed.containsKey(control))
                .toList();
        List<Followed> most = followed.entrySet().stream()
                .flatMap(
                        entry -> live
                                .value(entry.getKey())
                                .map(value -> new Followed(entry.getKey(), entry.getValue(), value))
                                .stream())
                .sorted(Comparator.comparingInt(Followed::messages).reversed())
                .toList();
        unfollowed.sort(Comparator.comparingInt(Unfollowed::messages).reversed());
        return new Replayed(packets, messages, malformed, List.copyOf(strangers), most, unfollowed, silent);
    }

    /** Nothing leaves. */
    @Override
    public boolean datagram(PartId target, byte[] packet) {
        return true;
    }

    @Override
    public void happened(LiveEvent event) {
        if (event instanceof LiveEvent.PacketIn in && in.target().isPresent()) {
            if (in.says() instanceof Decoded.Malformed) {
                malformed++;
            }
            for (OscMessage message : in.says().messages()) {
                messages++;
                said.merge(new Place(in.target().get(), message.address()), 1, Integer::sum);
            }
        }
    }
}
