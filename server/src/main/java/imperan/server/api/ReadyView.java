package imperan.server.api;

import imperan.proof.ReadyCheck;
import imperan.show.PartId;
import imperan.words.ReadyWords;
import java.util.List;

/**
 * What is not ready before the doors open, in words.
 *
 * @param atMillis when it was looked at, in milliseconds since 1970
 */
public record ReadyView(double atMillis, List<Check> checks) {

    /**
     * @param title  what is so where all of it is ready
     * @param looked at so many things, of which {@code items} are not ready
     * @param grey   how many of these were proved, and nobody knows whether that still holds
     */
    public record Check(ReadyCheck.Question question, String title, int looked, int grey, List<Item> items) {
        static Check of(ReadyCheck.Answer answer) {
            return new Check(
                    answer.question(),
                    ReadyWords.title(answer.question()),
                    answer.looked(),
                    answer.grey(),
                    answer.items().stream()
                            .map(item -> new Item(item.about(), item.name(), ReadyWords.says(answer.question(), item)))
                            .toList());
        }
    }

    /** @param about the target, host or control */
    public record Item(PartId about, String name, String says) {}
}
