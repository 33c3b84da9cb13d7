package imperan.server.work;

import imperan.progress.Progress;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletionException;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/**
 * Requests that take long, by the ids that browsers gave them: how far each is, and which are to end. A request may be
 * cancelled before it has arrived whole.
 */
@Component
public class Works {

    /** Ids that are remembered; the oldest goes. Who is forgotten is carried out to its end and can only not be asked about. */
    static final int MOST = 256;

    static final int MOST_CHARACTERS = 64;

    /** How far a piece of work is: {@code done} of {@code of} pieces of its stage. */
    public record WorkState(Progress.Stage stage, int done, int of) {}

    /** One piece of work. */
    private static final class Work implements Progress {
        private volatile Optional<WorkState> state = Optional.empty();
        private volatile boolean cancelled;

        @Override
        public void at(Stage stage, int done, int of) {
            if (cancelled) {
                throw new Cancelled();
            }
            state = Optional.of(new WorkState(stage, done, of));
        }
    }

    private final Map<String, Work> works = new LinkedHashMap<>();

    /**
     * Does a piece of work that can be asked about, and cancelled, by its id.
     *
     * @param id empty where nobody will ask
     * @throws Progress.Cancelled       where it was cancelled
     * @throws IllegalArgumentException where the id is too long
     */
    public <T> T doing(Optional<String> id, Function<Progress, T> work) {
        Progress progress = id.<Progress>map(this::work).orElse(Progress.NONE);
        try {
            return work.apply(progress);
        } catch (CompletionException e) {
            if (e.getCause() instanceof Progress.Cancelled cancelled) {
                throw cancelled;
            }
            throw e;
        } finally {
            id.ifPresent(this::forget);
        }
    }

    /** How far it is; empty where it has not begun, and where it is over. */
    public synchronized Optional<WorkState> state(String id) {
        return Optional.ofNullable(works.get(id)).flatMap(work -> work.state);
    }

    /** It ends as soon as it can, with {@link Progress.Cancelled}; what is over already stays as it is. */
    public void cancel(String id) {
        work(id).cancelled = true;
    }

    private synchronized Work work(String id) {
        if (id.length() > MOST_CHARACTERS) {
            throw new IllegalArgumentException(
                    "the id of a piece of work has at most " + MOST_CHARACTERS + " characters");
        }
        Work work = works.computeIfAbsent(id, unknown -> new Work());
        if (works.size() > MOST) {
            works.remove(works.keySet().iterator().next());
        }
        return work;
    }

    private synchronized void forget(String id) {
        works.remove(id);
    }
}
