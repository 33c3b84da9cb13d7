package imperan.server.run;

import imperan.picture.Picture;
import imperan.progress.Progress;
import imperan.server.store.Keeper;
import imperan.server.store.PictureStore;
import imperan.server.store.ProofStore;
import imperan.server.store.ShowStore;
import imperan.server.store.ShowStore.ShowInfo;
import imperan.show.Control;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.show.ShowFile;
import imperan.show.Target;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** What is done with whole shows: make, copy, rename, delete, put on, and carry in files. */
@Component
public class Shows {

    private final ShowStore store;
    private final Keeper keeper;
    private final ShowLoop loop;
    private final PictureStore pictures;
    private final ProofStore proofs;

    Shows(ShowStore store, Keeper keeper, ShowLoop loop, PictureStore pictures, ProofStore proofs) {
        this.proofs = proofs;
        this.store = store;
        this.keeper = keeper;
        this.loop = loop;
        this.pictures = pictures;
    }

    /** @param show the show that was made or changed; empty where it could not be, and then the problems say why */
    public record Done(Optional<String> show, List<Problem> problems) {

        private static Done of(String show) {
            return new Done(Optional.of(show), List.of());
        }

        private static Done refused(String message) {
            return new Done(Optional.empty(), List.of(Problem.of(message)));
        }
    }

    /**
     * What a file holds, before anything is done with it.
     *
     * @param sameName the show that has this name already; empty where none has
     * @param problems why it cannot be taken in, each with its place in the file
     */
    public record Preview(
            String name, int targets, int pages, int controls, Optional<String> sameName, List<Problem> problems) {}

    /** What to do where the name is taken. */
    public enum OnSameName {
        REFUSE,
        KEEP_BOTH,
        REPLACE
    }

    public Done create(String name) {
        return nameProblem(name).map(Done::refused).orElseGet(() -> {
            String id = UUID.randomUUID().toString();
            store.create(id, name.strip(), false);
            return Done.of(id);
        });
    }

    public Done rename(String showId, String name) {
        ShowInfo show = store.show(showId);
        if (show.name().equals(name.strip())) {
            return Done.of(showId);
        }
        return nameProblem(name).map(Done::refused).orElseGet(() -> {
            store.rename(showId, name.strip());
            keeper.renamed(showId, name.strip());
            loop.renamed(showId, name.strip());
            return Done.of(showId);
        });
    }

    /** A show of its own with the same content, and the reports of its proofs. */
    public Done duplicate(String showId, Person author) {
        ShowInfo original = store.show(showId);
        Show content = keeper.show(showId).join();
        Done done = made(
                freeName(original.name()),
                content.parts().stream().map(Held::part).toList(),
                author,
                "Duplicate of " + original.name(),
                Progress.NONE);
        // its lines are the same, so what is proved of them is
        done.show().ifPresent(copy -> proofs.copy(showId, copy));
        return done;
    }

    public Done delete(String showId) {
        store.show(showId);
        return store.setDeleted(showId, true)
                ? Done.of(showId)
                : Done.refused("The live show cannot be deleted. Go live with another one first");
    }

    public Done bringBack(String showId) {
        store.show(showId);
        store.setDeleted(showId, false);
        return Done.of(showId);
    }

    /** Gives this show the sockets, with the values it had when it last had them. */
    public Done goLive(String showId) {
        ShowInfo show = store.show(showId);
        if (showId.equals(loop.liveShowId())) {
            // it is: its values are the ones that count
            return Done.of(showId);
        }
        if (!store.setLive(showId)) {
            return Done.refused("“" + show.name() + "” is deleted. Bring it back first");
        }
        keeper.withShow(showId, (name, head) -> loop.goLive(showId, name, head, store.remembered(showId)))
                .join();
        return Done.of(showId);
    }

    /** The show as a file. */
    public String file(String showId) {
        return ShowFile.write(store.show(showId).name(), keeper.show(showId).join(), pictures);
    }

    /** @throws Progress.Cancelled where it is ended */
    public Preview preview(String file, Progress progress) {
        return preview(ShowFile.read(file, progress), progress);
    }

    private Preview preview(ShowFile.Read read, Progress progress) {
        if (read instanceof ShowFile.Read.Bad bad) {
            return new Preview("", 0, 0, 0, Optional.empty(), List.of(problem(bad)));
        }
        ShowFile.Read.Good good = (ShowFile.Read.Good) read;
        Outcome outcome = Show.empty().become(good.parts(), new Person("", ""), "", progress);
        return new Preview(
                good.name(),
                count(good, Target.class),
                count(good, Page.class),
                count(good, Control.class),
                named(good.name()).map(ShowInfo::id),
                outcome instanceof Outcome.Refused refused && !good.parts().isEmpty()
                        ? placed(refused.problems(), good.parts())
                        : List.of());
    }

    private static Problem problem(ShowFile.Read.Bad bad) {
        return Problem.of(bad.place() + ": " + bad.reason());
    }

    /**
     * Takes a file in, whole or not at all.
     *
     * @throws Progress.Cancelled where it is ended; nothing of it is kept then
     */
    public Done take(String file, OnSameName onSameName, Person author, Progress progress) {
        ShowFile.Read read = ShowFile.read(file, progress);
        if (read instanceof ShowFile.Read.Bad bad) {
            return new Done(Optional.empty(), List.of(problem(bad)));
        }
        ShowFile.Read.Good good = (ShowFile.Read.Good) read;
        Optional<ShowInfo> sameName = named(good.name());
        if (sameName.isPresent() && onSameName == OnSameName.REFUSE) {
            return Done.refused("There is a show “" + good.name() + "” already: keep both, or replace it");
        }
        List<Picture> fresh = good.pictures().stream()
                .filter(picture -> pictures.keep(picture, "from " + good.name()))
                .toList();
        try {
            Done done = sameName.isPresent() && onSameName == OnSameName.REPLACE
                    ? replaced(sameName.get().id(), good, author, progress)
                    : made(freeName(good.name()), good.parts(), author, "Import " + good.name(), progress);
            if (done.show().isEmpty()) {
                fresh.forEach(pictures::forget);
            }
            return new Done(done.show(), placed(done.problems(), good.parts()));
        } catch (RuntimeException e) {
            fresh.forEach(pictures::forget);
            throw e;
        }
    }

    /** An edit like any other, so that undo and history lead back to what was there. */
    private Done replaced(String showId, ShowFile.Read.Good good, Person author, Progress progress) {
        Outcome outcome = keeper.become(showId, good.parts(), author, "Replace by a file", progress)
                .join();
        return outcome instanceof Outcome.Refused refused
                ? new Done(Optional.empty(), refused.problems())
                : Done.of(showId);
    }

    private Done made(String name, Collection<Part> parts, Person author, String title, Progress progress) {
        String id = UUID.randomUUID().toString();
        store.create(id, name, false);
        try {
            if (!parts.isEmpty()
                    && keeper.become(id, parts, author, title, progress).join() instanceof Outcome.Refused refused) {
                undo(id);
                return new Done(Optional.empty(), refused.problems());
            }
        } catch (RuntimeException e) {
            undo(id);
            throw e;
        }
        return Done.of(id);
    }

    /** A show that could not be filled leaves nothing behind. */
    private void undo(String id) {
        store.erase(id);
        keeper.forget(id);
    }

    private Optional<String> nameProblem(String name) {
        if (name.isBlank()) {
            return Optional.of("A show needs a name");
        }
        Optional<String> unshowable = new Person("someone", name.strip()).problem();
        return unshowable.isPresent()
                ? unshowable
                : named(name.strip()).map(show -> "There is a show “" + show.name() + "” already");
    }

    private Optional<ShowInfo> named(String name) {
        return store.shows().stream()
                .filter(s -> s.deletedAt().isEmpty() && s.name().equals(name))
                .findFirst();
    }

    /** The name itself, or with the first number that makes it free. */
    private String freeName(String name) {
        String free = name;
        for (int i = 2; named(free).isPresent(); i++) {
            free = name + " (" + i + ")";
        }
        return free;
    }

    private static int count(ShowFile.Read.Good good, Class<?> kind) {
        return (int) good.parts().stream()
                .filter(part -> kind.isInstance(part.body()))
                .count();
    }

    /** Problems with their places in the file instead of ids that only this reading gave. */
    private static List<Problem> placed(List<Problem> problems, List<Part> parts) {
        Map<PartId, Integer> places = new HashMap<>();
        for (Part part : parts) {
            places.put(part.id(), places.size());
        }
        return problems.stream()
                .map(problem -> problem.part()
                        .map(places::get)
                        .map(place -> new Problem(
                                Optional.empty(),
                                problem.field(),
                                "parts/" + place + "/body/" + problem.field() + ": " + problem.message(),
                                problem.mend()))
                        .orElse(problem))
                .toList();
    }
}
