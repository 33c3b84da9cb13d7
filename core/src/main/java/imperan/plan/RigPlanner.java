package imperan.plan;

import imperan.live.LinkView;
import imperan.phrasebook.KnownBook;
import imperan.plan.RigChange.AddHost;
import imperan.plan.RigChange.AddTarget;
import imperan.plan.RigChange.ChoosePhrasebook;
import imperan.plan.RigChange.MoveHost;
import imperan.plan.RigChange.Place;
import imperan.plan.RigChange.TakeAs;
import imperan.plan.RigChange.TickStep;
import imperan.plan.RigChange.UntickStep;
import imperan.rig.Ipv4;
import imperan.rig.Prefix;
import imperan.show.Body;
import imperan.show.EditRequest;
import imperan.show.Host;
import imperan.show.LinkStep;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.Tick;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.function.UnaryOperator;

/** Carries out what is wanted of a rig: each is one edit with words for the history, or is refused with the reason. */
public final class RigPlanner {

    private static final String SOME_NETWORK = "192.168.0.1";
    private static final int USUAL_PREFIX = 24;
    private static final String SOME_HOST = "127.0.0.1";
    private static final int SOME_PORT = 7000;

    private final Show show;
    private final Person author;
    private final List<LinkView> links;
    private final Instant now;
    private final Function<String, Optional<KnownBook>> elsewhere;
    private final IntPredicate isTaken;

    /**
     * @param links     of the running show; none of a show that does not run
     * @param now       the time that a tick is given
     * @param elsewhere phrasebooks of other shows by their names
     * @param isTaken   whether another program of this machine has a port
     */
    public RigPlanner(
            Show show,
            Person author,
            List<LinkView> links,
            Instant now,
            Function<String, Optional<KnownBook>> elsewhere,
            IntPredicate isTaken) {
        this.elsewhere = elsewhere;
        this.isTaken = isTaken;
        this.show = show;
        this.author = author;
        this.links = links;
        this.now = now;
    }

    public Outcome carryOut(RigChange change) {
        if (change instanceof AddTarget add) {
            return add(add);
        } else if (change instanceof AddHost add) {
            return add(add);
        } else if (change instanceof MoveHost move) {
            return isA(Host.class, move.host())
                    ? show.apply(new NetworkPlan(show).move(move.host(), move.address()), author)
                    : gone("host");
        } else if (change instanceof TakeAs take) {
            return target(
                    take.target(),
                    "Take " + take.place().host() + " port " + take.place().port() + " as ",
                    target -> target.reachedAt(take.place().host(), take.place().port())
                            .answeringTo(take.answerPort()));
        } else if (change instanceof ChoosePhrasebook choose) {
            return choose(choose);
        } else if (change instanceof TickStep tick) {
            return target(
                    tick.target(),
                    "Tick a step for ",
                    target -> ticked(target, tick.step(), Optional.of(tick(tick, target))));
        }
        UntickStep untick = (UntickStep) change;
        return target(untick.target(), "Untick a step for ", target -> ticked(target, untick.step(), Optional.empty()));
    }

    private Outcome add(AddTarget add) {
        List<Part> targets = show.all(Target.class);
        Place place = add.place().orElse(new Place(SOME_HOST, SOME_PORT));
        String name = add.name().filter(text -> !text.isBlank()).orElse("Target " + (targets.size() + 1));
        Target plain = Target.plain(
                name,
                place.host(),
                place.port(),
                add.answerPort().orElseGet(() -> new NetworkPlan(show).freeAnswerPort(isTaken)),
                Target.Answering.REPORTS);
        return add.name().isEmpty() ? put(add.id(), targets, plain) : addKnown(add.id(), plain);
    }

    /** Whether a target still has the address and port that a new one comes with: nobody has entered any. */
    static boolean isUntouched(Target target) {
        return target.host().equals(SOME_HOST)
                && target.port() == SOME_PORT
                && target.asReached().equals(target);
    }

    /** A target that said its name speaks the phrasebook of that name, which comes along from another show where this one lacks it. */
    private Outcome addKnown(PartId id, Target plain) {
        List<Part> targets = show.all(Target.class);
        // of two that announce one name the second is renamed so (RFC 6762, section 9)
        String kind = plain.name().replaceFirst(" \\(\\d+\\)$", "");
        Optional<Part> here = show.all(Phrasebook.class).stream()
                .filter(part -> part.body().called().equalsIgnoreCase(kind))
                .findFirst();
        if (here.isPresent()) {
            return put(
                    id,
                    targets,
                    speaking(plain, here.get().id(), ((Phrasebook) here.get().body()).sheet()));
        }
        Optional<KnownBook> known = elsewhere.apply(kind);
        if (known.isEmpty()) {
            return put(id, targets, plain);
        }
        PartId book = PartId.random();
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(fresh(
                book, Optional.empty(), show.all(Phrasebook.class), known.get().book()));
        known.get()
                .phrases()
                .forEach(phrase -> steps.add(
                        new EditRequest.Put(new Part(PartId.random(), Optional.of(book), steps.size(), phrase), 0)));
        steps.add(fresh(
                id,
                Optional.empty(),
                targets,
                speaking(plain, book, known.get().book().sheet())));
        return show.apply(new EditRequest("Add " + plain.name() + " with its phrasebook", steps), author);
    }

    /** As its link sheet says, but at the port where it was found. */
    private static Target speaking(Target plain, PartId book, Phrasebook.LinkSheet sheet) {
        return plain.speaking(book).reachedAsBy(sheet).at(plain.host(), plain.port());
    }

    private Outcome add(AddHost add) {
        List<Part> hosts = show.all(Host.class);
        NetworkPlan plan = new NetworkPlan(show);
        return put(
                add.id(),
                hosts,
                new Host(
                        "Host " + (hosts.size() + 1),
                        plan.suggest().map(Ipv4::toString).orElse(SOME_NETWORK),
                        plan.network().map(Prefix::length).orElse(USUAL_PREFIX),
                        Host.Addressing.FIXED,
                        hosts.isEmpty() ? Host.Role.ROUTER : Host.Role.DEVICE,
                        Optional.empty(),
                        "",
                        "",
                        ""));
    }

    private Outcome put(PartId id, List<Part> others, Body body) {
        return show.apply(
                new EditRequest("Add " + body.called(), List.of(fresh(id, Optional.empty(), others, body))), author);
    }

    /** A new part after the others of its kind. */
    private static EditRequest.Step fresh(PartId id, Optional<PartId> parent, List<Part> others, Body body) {
        return new EditRequest.Put(
                new Part(id, parent, others.stream().mapToInt(Part::order).max().orElse(-1) + 1, body), 0);
    }

    private Outcome choose(ChoosePhrasebook choose) {
        Optional<PartId> book = choose.phrasebook();
        if (book.isEmpty()) {
            return target(choose.target(), "Choose no phrasebook for ", Target::speakingFreely);
        }
        return isA(Phrasebook.class, book.get())
                ? target(choose.target(), "Choose a phrasebook for ", target -> target.speaking(book.get())
                        .reachedAsBy(((Phrasebook)
                                        show.part(book.get()).orElseThrow().body())
                                .sheet()))
                : gone("phrasebook");
    }

    private static Target ticked(Target target, LinkStep step, Optional<Tick> tick) {
        List<Tick> ticks = new ArrayList<>(
                target.ticks().stream().filter(t -> t.step() != step).toList());
        tick.ifPresent(ticks::add);
        return target.ticked(ticks);
    }

    /** What was told to the other end is what we know of ourselves, so that a change of it can be noticed. */
    private Tick tick(TickStep wanted, Target target) {
        String known = links.stream()
                .filter(link -> link.target().equals(wanted.target()))
                .map(link -> link.socket().ourHost())
                .filter(host -> !host.isEmpty())
                .map(host -> host + ":" + target.answerPort())
                .findFirst()
                .orElse("");
        return new Tick(
                wanted.step(),
                author.name(),
                now.truncatedTo(ChronoUnit.SECONDS).toString(),
                wanted.step() == LinkStep.ANSWER_PORT_TOLD && !known.isEmpty()
                        ? known
                        : wanted.fact().strip());
    }

    /** @param words of the edit, before the target's name */
    private Outcome target(PartId id, String words, UnaryOperator<Target> change) {
        if (!isA(Target.class, id)) {
            return gone("target");
        }
        Part part = show.part(id).orElseThrow();
        Target target = (Target) part.body();
        return show.apply(
                new EditRequest(
                        words + target.name(),
                        List.of(new EditRequest.Put(
                                new Part(id, part.parent(), part.order(), change.apply(target)),
                                show.held(id).orElseThrow().version()))),
                author);
    }

    private boolean isA(Class<? extends Body> kind, PartId id) {
        return show.part(id).map(Part::body).filter(kind::isInstance).isPresent();
    }

    private static Outcome gone(String what) {
        return Outcome.Refused.because("This " + what + " is no longer there");
    }
}
