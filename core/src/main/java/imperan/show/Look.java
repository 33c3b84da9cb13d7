package imperan.show;

import java.util.List;

/**
 * Where some controls stood when somebody recorded it, to be brought back.
 *
 * @param stands one for each control
 */
public record Look(String name, List<Stand> stands, String note) implements Body {

    /**
     * Where one control stood.
     *
     * @param at of each of its axes, 0 to 1
     */
    public record Stand(PartId control, List<Double> at) {
        public Stand {
            at = List.copyOf(at);
        }
    }

    public Look {
        stands = List.copyOf(stands);
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.note("note", note);
        if (stands.stream()
                .anyMatch(stand ->
                        stand.at().isEmpty() || stand.at().stream().anyMatch(each -> !(each >= 0 && each <= 1)))) {
            rules.problem("stands", "Where a control stands lies between 0 and 1");
        } else if (stands.stream().map(Stand::control).distinct().count() < stands.size()) {
            rules.problem("stands", "Each control stands in one place");
        }
    }
}
