package imperan.show;

import imperan.dialect.Dialect;
import imperan.dialect.Dialects;
import imperan.dialect.Osc;
import java.util.List;
import java.util.Optional;

/** What one kind of target understands and says; its phrases lie in it. */
public record Phrasebook(String name, LinkSheet sheet) implements Body {

    /**
     * What is known of reaching such a target.
     *
     * @param port        on which it usually receives; empty where there is no usual one
     * @param transport   how messages travel
     * @param answersTo   where its answers go
     * @param answering   what it says of itself
     * @param keepAlive   what keeps it talking
     * @param messagesPerSecond how many it can take
     * @param takesBundles whether it understands bundles
     * @param dialect     in which it is spoken to, by the name of a {@link Dialect}
     * @param partners    how many it speaks with at once; empty where it does not say
     * @param steps       what to switch on, restart or save at the other end, in order
     * @param startList   messages that bring such a target into a state to be worked with, as lines
     * @param versions    of which program and device this is true; may be empty
     */
    public record LinkSheet(
            Optional<Integer> port,
            Reach transport,
            AnswersTo answersTo,
            Target.Answering answering,
            Optional<KeepAlive> keepAlive,
            Optional<Integer> messagesPerSecond,
            boolean takesBundles,
            String dialect,
            Optional<Integer> partners,
            List<String> steps,
            List<String> startList,
            String versions) {
        public LinkSheet {
            steps = List.copyOf(steps);
            startList = List.copyOf(startList);
        }

        public LinkSheet in(Dialect other) {
            return new LinkSheet(
                    port,
                    transport,
                    answersTo,
                    answering,
                    keepAlive,
                    messagesPerSecond,
                    takesBundles,
                    other.id(),
                    partners,
                    steps,
                    startList,
                    versions);
        }

        private void check(PartRules rules) {
            port.ifPresent(usual -> rules.port("sheet/port", usual));
            keepAlive.ifPresent(keep -> keep.check(rules, "sheet/keepAlive", spoken()));
            if (partners.filter(count -> count < 1).isPresent()) {
                rules.problem("sheet/partners", "A target has at least one partner, or does not say how many");
            }
            rules.note("sheet/versions", versions);
            rules.lines("sheet/startList", startList, spoken());
            if (Dialects.of(dialect).isEmpty()) {
                rules.problem("sheet/dialect", "This Imperan does not speak “" + dialect + "”");
            }
            steps.forEach(step -> rules.note("sheet/steps", step));
        }

        /** What is spoken; OSC where this Imperan does not know it. */
        public Dialect spoken() {
            return Dialects.of(dialect).orElse(Osc.STRICT);
        }

        /** Nothing is known yet. */
        public static LinkSheet unknown() {
            return new LinkSheet(
                    Optional.empty(),
                    Reach.UDP,
                    AnswersTo.SENDER,
                    Target.Answering.REPORTS,
                    Optional.empty(),
                    Optional.empty(),
                    true,
                    Osc.STRICT.id(),
                    Optional.empty(),
                    List.of(),
                    List.of(),
                    "");
        }
    }

    /** Where answers go. */
    public enum AnswersTo {
        /** Back to the port they were asked from. */
        SENDER,
        /** To an address and port that is set at the target. */
        SET_PORT,
        /** Nowhere. */
        NOBODY
    }

    /** The phrasebook that a target speaks. */
    public static Optional<Phrasebook> of(Show show, Target target) {
        return target.phrasebook()
                .flatMap(show::part)
                .map(Part::body)
                .filter(Phrasebook.class::isInstance)
                .map(Phrasebook.class::cast);
    }

    /** What is spoken with a target of the show: what its phrasebook says, else OSC. */
    public static Dialect spokenWith(Show show, PartId target) {
        return show.part(target)
                .map(Part::body)
                .filter(Target.class::isInstance)
                .map(body -> spokenWith(show, (Target) body))
                .orElse(Osc.STRICT);
    }

    /** The same with a target as it is described. */
    public static Dialect spokenWith(Show show, Target target) {
        return of(show, target).map(book -> book.sheet.spoken()).orElse(Osc.STRICT);
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        sheet.check(rules);
    }
}
