package imperan.proof;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Names what may be the cause of a missing answer, from what is known. */
public final class WhyNot {

    /** Those with the same of both cannot be told apart from here. */
    private record Same(Rank rank, List<Evidence> evidence) {}

    private WhyNot() {}

    /** The surest first, and of those that are equally sure the one at which a message would fail first. */
    public static Diagnosis of(Facts facts) {
        List<Case> cases = cases(facts);
        Map<Same, List<Suspect>> groups = new LinkedHashMap<>();
        cases.stream()
                .flatMap(each -> each.judgement().stream())
                .sorted(Comparator.comparing(Judgement::rank).thenComparing(Judgement::suspect))
                .forEach(judgement -> groups.computeIfAbsent(
                                new Same(judgement.rank(), judgement.evidence()), same -> new ArrayList<>())
                        .add(judgement.suspect()));
        List<Diagnosis.Group> found = groups.entrySet().stream()
                .map(entry -> new Diagnosis.Group(
                        entry.getKey().rank(), entry.getValue(), entry.getKey().evidence()))
                .toList();
        Optional<Stage> failed =
                found.stream().findFirst().map(group -> group.suspects().get(0).stage());
        return new Diagnosis(
                facts.isMissing(),
                failed,
                found,
                cases.stream().flatMap(each -> each.exclusion().stream()).toList());
    }

    /** One for each suspect, in their order. */
    static List<Case> cases(Facts facts) {
        List<Case> cases = new ArrayList<>(new AtOurEnd(facts).cases());
        cases.addAll(new AtTheFarEnd(facts).cases());
        cases.addAll(new OnTheWayBack(facts).cases());
        return cases;
    }
}
