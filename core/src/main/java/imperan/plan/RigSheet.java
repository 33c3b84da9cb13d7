package imperan.plan;

import imperan.show.Host;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Target;
import imperan.table.SheetText;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.StringJoiner;

/** What must be typed where, for the people at the other ends. */
public final class RigSheet {

    private RigSheet() {}

    /**
     * One line for each target, and one for each host without a target (RFC 4180).
     *
     * @param ours our own address on the way to each target, where it is known
     */
    public static String csv(Show show, Map<PartId, String> ours) {
        List<Host> hosts =
                show.all(Host.class).stream().map(part -> (Host) part.body()).toList();
        StringJoiner lines = new StringJoiner("\r\n", "", "\r\n");
        lines.add(SheetText.row(
                "name",
                "host",
                "address",
                "prefix",
                "it receives on port",
                "transport",
                "it sends answers to address",
                "it sends answers to port",
                "keep-alive",
                "at most a second",
                "socket",
                "power-up",
                "note"));
        Set<Host> withTargets = new HashSet<>();
        for (Part part : show.all(Target.class)) {
            Target target = (Target) part.body();
            Optional<Host> host = hosts.stream()
                    .filter(h -> h.address().equals(target.host()))
                    .findFirst();
            host.ifPresent(withTargets::add);
            // answers over a connection need no port of ours
            boolean answersToPort = target.answering() != Target.Answering.NONE
                    && !target.transport().isConnection();
            lines.add(SheetText.row(
                    target.name(),
                    host.map(Host::name).orElse(""),
                    target.host(),
                    host.map(h -> "/" + h.prefix()).orElse(""),
                    target.port(),
                    target.transport().words(),
                    answersToPort ? ours.getOrDefault(part.id(), "") : "",
                    answersToPort ? target.answerPort() : "",
                    target.keepAlive()
                            .map(keep -> keep.address() + " every " + keep.everySeconds() + " s")
                            .orElse(""),
                    target.messagesPerSecond().map(String::valueOf).orElse(""),
                    host.map(Host::socket).orElse(""),
                    host.map(Host::power).orElse(""),
                    host.map(Host::note).orElse("")));
        }
        hosts.stream()
                .filter(host -> !withTargets.contains(host))
                .forEach(host -> lines.add(SheetText.row(
                        "",
                        host.name(),
                        host.address(),
                        "/" + host.prefix(),
                        "",
                        "",
                        "",
                        "",
                        "",
                        "",
                        host.socket(),
                        host.power(),
                        host.note())));
        return lines.toString();
    }
}
