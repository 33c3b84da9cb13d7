package imperan.check;

import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.rig.Adapter;
import imperan.rig.Ipv4;
import imperan.rig.Prefix;
import imperan.show.Host;
import imperan.show.LinkStep;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.Tick;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The rig as it is written down beside what the network shows now, field by field. */
public final class SheetComparison {

    /** How a field of the sheet stands. */
    public enum Verdict {
        /** The network shows what is written. */
        AGREES,
        /** The network shows something else. */
        DIFFERS,
        /** Nothing was seen yet that would tell. */
        NOT_SEEN
    }

    /**
     * One field.
     *
     * @param part    the target or host it belongs to
     * @param what    the field, in words
     * @param written what the sheet says
     * @param seen    what the network shows, in words
     */
    public record Field(PartId part, String what, String written, String seen, Verdict verdict) {}

    private final NetworkFacts facts;
    private final List<Field> fields = new ArrayList<>();

    private SheetComparison(NetworkFacts facts) {
        this.facts = facts;
    }

    public static List<Field> of(Show show, NetworkFacts facts) {
        SheetComparison comparison = new SheetComparison(facts);
        show.all(Target.class).forEach(part -> comparison.target(part.id(), (Target) part.body()));
        show.all(Host.class).forEach(comparison::host);
        return List.copyOf(comparison.fields);
    }

    private void target(PartId id, Target target) {
        Optional<LinkView> link = facts.link(id);
        receives(id, target, link);
        if (target.transport().isConnection()) {
            link.ifPresentOrElse(
                    l -> add(
                            id,
                            "connection",
                            "TCP",
                            l.socket().works() ? "connected" : l.socket().trouble(),
                            l.socket().works() ? Verdict.AGREES : Verdict.DIFFERS),
                    () -> add(id, "connection", "TCP", "the show does not run", Verdict.NOT_SEEN));
        } else if (target.answering() != Target.Answering.NONE) {
            answers(id, target, link);
        }
        target.keepAlive().ifPresent(keep -> {
            boolean answered =
                    link.filter(l -> l.state() == LinkState.ANSWERING).isPresent();
            boolean asked = link.filter(l -> l.sent() > 0).isPresent();
            add(
                    id,
                    "keep-alive",
                    keep.address(),
                    answered ? "answered" : asked ? "sent, not answered" : "not sent yet",
                    answered ? Verdict.AGREES : asked ? Verdict.DIFFERS : Verdict.NOT_SEEN);
        });
    }

    private void receives(PartId id, Target target, Optional<LinkView> link) {
        String written = target.host() + ":" + target.port();
        Optional<StandInEnd> standIn = target.standIn().filter(StandInEnd::inUse);
        if (standIn.isPresent()) {
            add(
                    id,
                    "receives on",
                    written,
                    "its stand-in " + standIn.get().host() + ":" + standIn.get().port() + " is spoken to",
                    Verdict.NOT_SEEN);
        } else if (link.isEmpty()) {
            add(id, "receives on", written, "the show does not run", Verdict.NOT_SEEN);
        } else if (link.get().silentHost()) {
            add(id, "receives on", written, "no machine has the address " + target.host(), Verdict.DIFFERS);
        } else {
            switch (link.get().state()) {
                case ANSWERING -> add(id, "receives on", written, "it answers what is sent there", Verdict.AGREES);
                case PORT_CLOSED -> add(
                        id,
                        "receives on",
                        written,
                        "its host says that port " + target.port() + " is closed",
                        Verdict.DIFFERS);
                case LOST -> add(id, "receives on", written, "it answered, and no more", Verdict.DIFFERS);
                case HEARD -> add(
                        id, "receives on", written, "it speaks, and answers nothing of ours", Verdict.NOT_SEEN);
                case UNHEARD, SENDS_ONLY -> add(id, "receives on", written, "nothing came from it", Verdict.NOT_SEEN);
            }
        }
    }

    private void answers(PartId id, Target target, Optional<LinkView> link) {
        Optional<String> told = target.ticks().stream()
                .filter(tick -> tick.step() == LinkStep.ANSWER_PORT_TOLD)
                .map(Tick::fact)
                .filter(fact -> !fact.isBlank())
                .findFirst();
        String port = String.valueOf(target.answerPort());
        Optional<String> now = facts.ourHost(id).map(host -> host + ":" + port);
        String written = told.orElse("port " + port);
        if (facts.portTaken(id).isPresent()) {
            add(id, "answers to", written, facts.portTaken(id).get(), Verdict.DIFFERS);
        } else if (told.isPresent() && now.isPresent() && !told.equals(now)) {
            add(id, "answers to", written, "we are " + now.get() + " now", Verdict.DIFFERS);
        } else if (link.filter(l -> l.heard() > 0).isPresent()) {
            add(id, "answers to", written, "they arrive at " + now.orElse("port " + port), Verdict.AGREES);
        } else {
            add(id, "answers to", written, "nothing arrived", Verdict.NOT_SEEN);
        }
    }

    /** Of hosts only this machine can be seen for certain. */
    private void host(Part part) {
        Host host = (Host) part.body();
        Optional<Prefix> ours = facts.adapters().stream()
                .map(Adapter::addresses)
                .flatMap(List::stream)
                .filter(prefix -> prefix.address().equals(Ipv4.of(host.address())))
                .findFirst();
        ours.ifPresent(prefix -> add(
                part.id(),
                "address",
                host.address() + "/" + host.prefix(),
                "this machine has " + prefix,
                prefix.length() == host.prefix() ? Verdict.AGREES : Verdict.DIFFERS));
    }

    private void add(PartId part, String what, String written, String seen, Verdict verdict) {
        fields.add(new Field(part, what, written, seen, verdict));
    }
}
