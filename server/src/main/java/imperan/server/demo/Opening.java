package imperan.server.demo;

import imperan.server.run.ShowLoop;
import imperan.server.sound.Sounds;
import imperan.server.store.Keeper;
import imperan.server.store.OnlyServer;
import imperan.server.store.PictureStore;
import imperan.server.store.ShowStore;
import imperan.show.Outcome;
import imperan.show.Person;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** Puts the show on when the server starts: the demo the first time, what was there before every other time. */
@Component
class Opening implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(Opening.class);
    private static final Person IMPERAN = new Person("imperan", "Imperan");

    private final ShowStore store;
    private final Keeper keeper;
    private final ShowLoop loop;
    private final PictureStore pictures;
    private final Sounds sounds;
    private final DemoShow demo;

    Opening(
            ShowStore store,
            Keeper keeper,
            ShowLoop loop,
            PictureStore pictures,
            Sounds sounds,
            @Value("${imperan.demo.first-port}") int firstPort,
            @Value("${imperan.demo.first-answer}") int firstAnswer,
            OnlyServer held) {
        this.store = store;
        this.keeper = keeper;
        this.loop = loop;
        this.pictures = pictures;
        this.sounds = sounds;
        this.demo = new DemoShow(firstPort, firstAnswer);
    }

    @Override
    public void run(ApplicationArguments arguments) {
        store.forgetDeleted();
        if (store.shows().isEmpty()) {
            store.create(DemoShow.ID, DemoShow.NAME, true);
        }
        ShowStore.ShowInfo live = store.shows().stream()
                .filter(ShowStore.ShowInfo::live)
                .findFirst()
                .orElseThrow();
        if (live.id().equals(DemoShow.ID) && keeper.show(live.id()).join().version() == 0) {
            pictures.keep(demo.plan(), "quay.png");
            Outcome outcome =
                    keeper.edit(DemoShow.ID, demo.asEdit(song()), IMPERAN).join();
            if (outcome instanceof Outcome.Refused refused) {
                throw new IllegalStateException("The demo show does not pass its own rules: " + refused.problems());
            }
        }
        loop.goLive(live.id(), live.name(), keeper.show(live.id()).join(), store.remembered(live.id()));
        LOG.info("Live: {}", live.name());
    }

    /** The sound of the demo, by its hash. Where it cannot be kept, the show goes on without it, and its track says so. */
    private String song() {
        byte[] wav = DemoSong.wav();
        try {
            sounds.load(DemoSong.FILE, new ByteArrayInputStream(wav));
        } catch (IOException e) {
            LOG.warn("The song of the demo could not be kept: {}", e.getMessage());
        }
        return Sounds.hash(wav);
    }
}
