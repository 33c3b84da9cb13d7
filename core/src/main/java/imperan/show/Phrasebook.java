package imperan.show;

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
     * @param bareAddresses whether addresses without a slash at their start are meant so
     * @param partners    how many it speaks with at once; empty where it does not say
     * @param steps       what to switch on, restart or save at the other end, in order
     * @param startList   messages that bring such a target into a state to be worked with, as lines
     * @param versions    of which program and device this is true; may be empty
     */
    public record LinkSheet(Optional<Integer> port, Transport transport, AnswersTo answersTo, Target.Answering answering,
                            Optional<KeepAlive> keepAlive, Optional<Integer> messagesPerSecond, boolean takesBundles,
                            boolean bareAddresses, Optional<Integer> partners, List<String> steps, List<String> startList, String versions) {
        public LinkSheet {
            steps = List.copyOf(steps);
            startList = List.copyOf(startList);
        }

        /** The same, with addresses that have no slash at their start. */
        public LinkSheet bare() {
            return new LinkSheet(port, transport, answersTo, answering, keepAlive, messagesPerSecond, takesBundles, true, partners, steps, startList, versions);
        }

        private void check(PartRules rules) {
            port.ifPresent(usual -> rules.port("sheet/port", usual));
            keepAlive.ifPresent(keep -> keep.check(rules, "sheet/keepAlive"));
            if (partners.filter(count -> count < 1).isPresent()) {
                rules.problem("sheet/partners", "A target has at least one partner, or does not say how many");
            }
            rules.note("sheet/versions", versions);
            rules.lines("sheet/startList", startList, bareAddresses);
            steps.forEach(step -> rules.note("sheet/steps", step));
        }

        /** Nothing is known yet. */
        public static LinkSheet unknown() {
            return new LinkSheet(Optional.empty(), Transport.UDP, AnswersTo.SENDER, Target.Answering.REPORTS, Optional.empty(),
                    Optional.empty(), true, false, Optional.empty(), List.of(), List.of(), "");
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
        return target.phrasebook().flatMap(show::part).map(Part::body).filter(Phrasebook.class::isInstance).map(Phrasebook.class::cast);
    }

    /** Whether addresses without a slash at their start are meant so for what is a target of the show. */
    public static boolean bareAddresses(Show show, PartId target) {
        return show.part(target).map(Part::body).filter(Target.class::isInstance).flatMap(body -> of(show, (Target) body))
                .filter(book -> book.sheet.bareAddresses()).isPresent();
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
