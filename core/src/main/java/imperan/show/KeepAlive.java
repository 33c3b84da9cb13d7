package imperan.show;

import imperan.dialect.Dialect;
import java.util.Optional;

/**
 * A message without arguments that a target wants again and again, or it forgets us.
 *
 * @param address       of the message
 * @param answer        the address of the answer, where it is another one
 * @param everySeconds  between two of them
 * @param windowSeconds without hearing anything, after which the link counts as lost
 */
public record KeepAlive(String address, Optional<String> answer, double everySeconds, double windowSeconds) {

    /** One that is answered under its own address. */
    public static KeepAlive of(String address, double everySeconds, double windowSeconds) {
        return new KeepAlive(address, Optional.empty(), everySeconds, windowSeconds);
    }

    /** The address under which the answer comes. */
    public String answeredAt() {
        return answer.orElse(address);
    }

    void check(PartRules rules, String field, Dialect spoken) {
        rules.address(field + "/address", address, spoken);
        answer.ifPresent(other -> rules.address(field + "/answer", other, spoken));
        if (!(everySeconds >= 0.1 && everySeconds < windowSeconds && windowSeconds <= PartRules.MOST_SECONDS)) {
            rules.problem(
                    field + "/everySeconds",
                    "The period is at least 0.1 s and shorter than the window after which the link is lost, at most a day");
        }
    }
}
