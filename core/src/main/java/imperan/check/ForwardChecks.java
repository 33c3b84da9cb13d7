package imperan.check;

import imperan.address.NearMiss;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.EditRequest;
import imperan.show.Forward;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Checks of one forward: whether anybody says what it hears, whether anybody takes what it says, and whether it leads back to itself. */
final class ForwardChecks {

    private final Show show;
    private final Part part;
    private final Forward forward;
    private final List<Finding> found = new ArrayList<>();

    private ForwardChecks(Show show, Part part, Forward forward) {
        this.show = show;
        this.part = part;
        this.forward = forward;
    }

    /** None of what is no forward. */
    static List<Finding> of(Show show, Part part) {
        return part.body() instanceof Forward forward ? new ForwardChecks(show, part, forward).findings() : List.of();
    }

    private List<Finding> findings() {
        hears();
        says();
        if (forward.on() && leadsBack()) {
            found.add(Finding.of(
                    FindingKind.FORWARD_RING,
                    part.id(),
                    "to",
                    "“" + forward.name() + "” leads back to what it hears: it stops after one round",
                    forward.heard() + " " + forward.address()));
        }
        return found;
    }

    private void hears() {
        if (target(forward.from()).isEmpty()) {
            found.add(Finding.of(
                    FindingKind.NO_TARGET, part.id(), "from", "It hears nobody: no target is chosen", forward.heard()));
            return;
        }
        Vocabulary known = Vocabulary.of(show, forward.from().orElseThrow());
        if (known.isEmpty() || known.heard(forward.heard()).isPresent() || known.answers(forward.heard())) {
            return;
        }
        if (known.said(forward.heard()).isPresent()) {
            add(
                    FindingKind.NEVER_SAID_BY_TARGET,
                    "heard",
                    name(forward.from()) + " takes " + forward.heard() + " and never says it",
                    forward.heard(),
                    forward.from());
        } else {
            unknown(
                    "heard",
                    forward.heard(),
                    forward.from(),
                    known.heardInstead(forward.heard()),
                    address -> new Forward(
                            forward.name(),
                            forward.on(),
                            forward.from(),
                            address,
                            forward.argument(),
                            forward.shaping(),
                            forward.to(),
                            forward.address(),
                            forward.arguments(),
                            forward.askEvery(),
                            forward.perSecond()));
        }
    }

    private void says() {
        if (target(forward.to()).isEmpty()) {
            found.add(Finding.of(
                    FindingKind.NO_TARGET, part.id(), "to", "Nobody gets it: no target is chosen", forward.address()));
            return;
        }
        Vocabulary known = Vocabulary.of(show, forward.to().orElseThrow());
        Optional<Phrase> phrase = known.said(forward.address()).map(Vocabulary.Known::phrase);
        if (known.isEmpty()) {
            return;
        } else if (phrase.isPresent()) {
            types(phrase.get());
        } else if (known.heard(forward.address()).isPresent()) {
            add(
                    FindingKind.ONLY_SAID_BY_TARGET,
                    "address",
                    name(forward.to()) + " says " + forward.address() + " and does not take it",
                    forward.address(),
                    forward.to());
        } else {
            unknown(
                    "address",
                    forward.address(),
                    forward.to(),
                    known.saidInstead(forward.address()),
                    address -> new Forward(
                            forward.name(),
                            forward.on(),
                            forward.from(),
                            forward.heard(),
                            forward.argument(),
                            forward.shaping(),
                            forward.to(),
                            address,
                            forward.arguments(),
                            forward.askEvery(),
                            forward.perSecond()));
        }
    }

    private void types(Phrase phrase) {
        List<ArgumentType> types =
                forward.arguments().stream().map(ArgumentSource::type).toList();
        List<ArgumentType> meant =
                phrase.arguments().stream().map(Phrase.PhraseArgument::type).toList();
        if (!types.equals(meant)) {
            add(
                    FindingKind.WRONG_TYPES,
                    "arguments",
                    "It sends " + MeantArguments.words(types) + "; " + name(forward.to()) + " takes "
                            + MeantArguments.words(meant),
                    forward.address() + " " + types + " " + meant,
                    forward.to());
        }
    }

    /** Whether what it says comes back to what it hears, by other forwards that work, or at once. */
    private boolean leadsBack() {
        Set<PartId> seen = new HashSet<>();
        List<Forward> next = new ArrayList<>(List.of(forward));
        while (!next.isEmpty()) {
            Forward each = next.remove(next.size() - 1);
            if (isHeard(each, forward)) {
                return true;
            }
            for (Part other : show.all(Forward.class)) {
                Forward body = (Forward) other.body();
                if (body.on() && isHeard(each, body) && seen.add(other.id())) {
                    next.add(body);
                }
            }
        }
        return false;
    }

    /** Whether the target to which one says something answers with what another one hears. */
    private boolean isHeard(Forward says, Forward hears) {
        return says.to().isPresent()
                && says.to().equals(hears.from())
                && Vocabulary.of(show, says.to().get())
                        .said(says.address())
                        .map(known -> known.phrase().answer().comesOn(says.address(), known.numbers()))
                        .orElse(says.address())
                        .equals(hears.heard());
    }

    // ----

    /** The forward with another address. */
    private interface Changed {
        Forward with(String address);
    }

    private void unknown(
            String field, String address, Optional<PartId> target, Optional<NearMiss.Meant> near, Changed use) {
        Finding finding = finding(
                LineChecks.kind(near), field, LineChecks.unknownText(name(target), address, near), address, target);
        found.add(near.map(meant -> finding.with(new Finding.Remedy(
                        "Use " + meant.address(),
                        new EditRequest(
                                "Use " + meant.address(),
                                List.of(new EditRequest.Put(
                                        new Part(part.id(), part.parent(), part.order(), use.with(meant.address())),
                                        show.held(part.id()).orElseThrow().version()))))))
                .orElse(finding));
    }

    private void add(FindingKind kind, String field, String text, String facts, Optional<PartId> target) {
        found.add(finding(kind, field, text, facts, target));
    }

    private Finding finding(FindingKind kind, String field, String text, String facts, Optional<PartId> target) {
        return Finding.of(kind, part.id(), field, text, facts).because(target.orElse(part.id()));
    }

    private Optional<Part> target(Optional<PartId> id) {
        return id.flatMap(show::part).filter(found -> found.body() instanceof Target);
    }

    private String name(Optional<PartId> target) {
        return target(target).map(found -> found.body().called()).orElse("");
    }
}
