package imperan.server.store;

import imperan.live.Belief;
import imperan.live.ControlValue;
import imperan.live.CueListView;
import imperan.live.Places;
import imperan.live.SavedValue;
import imperan.live.SetView;
import imperan.live.TrackView;
import imperan.progress.Progress;
import imperan.show.Body;
import imperan.show.Edit;
import imperan.show.Held;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.ShowJson;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;

/** Shows in PostgreSQL: the tables are the truth at start, the log of edits stands beside them. */
@Repository
public class ShowStore {

    private static final TypeReference<List<Edit.Change>> CHANGES = new TypeReference<>() {};

    private static final TypeReference<List<ControlValue.Axis>> AXES = new TypeReference<>() {};

    private static final int ROWS_AT_ONCE = 1_000;

    private final ShowMapper mapper;
    private final JsonMapper json = ShowJson.mapper();

    ShowStore(ShowMapper mapper) {
        this.mapper = mapper;
    }

    /** How long a deleted show can be brought back. */
    public static final int DELETED_DAYS = 30;

    /**
     * @param live      whether this show owns the sockets
     * @param version   the number of its last edit
     * @param changedAt when that was
     * @param deletedAt when it was deleted; empty while it is not
     */
    public record ShowInfo(
            String id,
            String name,
            boolean live,
            long version,
            OffsetDateTime changedAt,
            Optional<OffsetDateTime> deletedAt) {}

    /** One edit in the list of edits, without what it changed. */
    public record EditLine(long number, String author, String title, OffsetDateTime at) {}

    /** A version with a name. */
    public record KeepPoint(long id, long version, String name, String author, OffsetDateTime at) {}

    /** A phrasebook of another show, by the ids and names of both. */
    public record BookElsewhere(String showId, String showName, String bookId, String bookName) {}

    /** The phrasebooks of all shows but this one and the deleted ones. */
    public List<BookElsewhere> booksElsewhere(String showId) {
        return mapper.booksElsewhere(showId);
    }

    public List<ShowInfo> shows() {
        return mapper.shows().stream().map(ShowStore::info).toList();
    }

    /** The show, deleted or not. */
    public ShowInfo show(String showId) {
        return mapper.show(showId).map(ShowStore::info).orElseThrow(() -> new UnknownShowException(showId));
    }

    private static ShowInfo info(Rows.ShowRow row) {
        return new ShowInfo(
                row.id(), row.name(), row.live(), row.version(), row.changedAt(), Optional.ofNullable(row.deletedAt()));
    }

    @Transactional
    public void rename(String showId, String name) {
        mapper.renameShow(showId, name);
    }

    /** @return false where the show is live, and stays */
    @Transactional
    public boolean setDeleted(String showId, boolean deleted) {
        return mapper.setDeleted(showId, deleted) == 1;
    }

    /** Makes this the one show that owns the sockets; false where it is deleted. */
    @Transactional
    public boolean setLive(String showId) {
        if (show(showId).deletedAt().isPresent()) {
            return false;
        }
        mapper.noneLive();
        return mapper.setLive(showId) == 1;
    }

    /** Ends what was deleted long ago. */
    @Transactional
    public void forgetDeleted() {
        mapper.forgetDeleted(DELETED_DAYS);
    }

    /** The newest edits before a number, newest first. */
    public List<EditLine> newestEdits(String showId, long before, int most) {
        return mapper.newestEdits(showId, before, most).stream()
                .map(row -> new EditLine(row.number(), row.authorName(), row.title(), row.at()))
                .toList();
    }

    public List<KeepPoint> keepPoints(String showId) {
        return mapper.keepPoints(showId).stream()
                .map(row -> new KeepPoint(row.id(), row.version(), row.name(), row.authorName(), row.at()))
                .toList();
    }

    @Transactional
    public void keep(String showId, long version, String name, Person author) {
        mapper.insertKeepPoint(showId, version, name, author.name());
    }

    @Transactional
    public void create(String id, String name, boolean live) {
        mapper.insertShow(id, name, live);
    }

    @Transactional(readOnly = true)
    public Show load(String showId) {
        return Show.of(
                show(showId).version(),
                mapper.parts(showId).stream().map(this::held).toList());
    }

    /** An edit without what it changed. */
    public record PastEdit(long number, String author, Edit.Role role) {}

    /** The edits up to a number, without what they changed, in order. */
    public List<PastEdit> pastEdits(String showId, long to) {
        return mapper.pastEdits(showId, to).stream()
                .map(row -> new PastEdit(
                        row.number(), row.authorId(), new Edit.Role(Edit.Role.Kind.valueOf(row.role()), row.roleOf())))
                .toList();
    }

    /** Keeps a show whole as its tables have it, which is this version. */
    @Transactional
    public void keepSnapshot(String showId, long version) {
        mapper.insertSnapshot(showId, version);
    }

    /** The newest whole show that was kept at a version or before. */
    @Transactional(readOnly = true)
    public Optional<Show> snapshot(String showId, long version) {
        return mapper.newestSnapshot(showId, version)
                .map(kept -> Show.of(
                        kept,
                        mapper.snapshotParts(showId, kept).stream()
                                .map(this::held)
                                .toList()));
    }

    /** How many parts were changed since a show was last kept whole, each as often as it was. */
    @Transactional(readOnly = true)
    public long changesSinceSnapshot(String showId) {
        return mapper.changesAfter(
                showId, mapper.newestSnapshot(showId, Long.MAX_VALUE).orElse(0L));
    }

    /** The edits from a number to another, both included, in order. */
    @Transactional(readOnly = true)
    public List<Edit> edits(String showId, long from, long to) {
        return mapper.edits(showId, from, to).stream()
                .map(row -> new Edit(
                        row.number(),
                        new Person(row.authorId(), row.authorName()),
                        row.title(),
                        json.readValue(row.changes(), CHANGES),
                        new Edit.Role(Edit.Role.Kind.valueOf(row.role()), row.roleOf())))
                .toList();
    }

    /**
     * Keeps an edit and the rows it changes, both or neither.
     *
     * @return the characters of its changes as JSON
     * @throws Progress.Cancelled where it is ended; then neither is kept
     */
    @Transactional
    public long commit(String showId, Edit edit, Progress progress) {
        int rows = edit.changes().size();
        progress.at(Progress.Stage.SAVING, 0, rows);
        String changes = json.writeValueAsString(edit.changes());
        mapper.insertEdit(
                showId,
                edit.number(),
                edit.author().id(),
                edit.author().name(),
                edit.title(),
                edit.role().kind().name(),
                edit.role().of(),
                changes);
        List<String> removed = edit.changes().stream()
                .filter(change -> change.after().isEmpty())
                .map(change -> change.id().value())
                .toList();
        for (int from = 0; from < removed.size(); from += ROWS_AT_ONCE) {
            progress.at(Progress.Stage.SAVING, from, rows);
            mapper.removeParts(
                    showId,
                    json.writeValueAsString(removed.subList(from, Math.min(removed.size(), from + ROWS_AT_ONCE))));
        }
        List<Part> put = edit.changes().stream()
                .flatMap(change -> change.after().stream())
                .toList();
        for (int from = 0; from < put.size(); from += ROWS_AT_ONCE) {
            progress.at(Progress.Stage.SAVING, removed.size() + from, rows);
            mapper.putParts(
                    showId,
                    edit.number(),
                    edit.author().id(),
                    edit.author().name(),
                    rows(put.subList(from, Math.min(put.size(), from + ROWS_AT_ONCE))));
        }
        mapper.setVersion(showId, edit.number());
        return changes.length();
    }

    /** Rows as one JSON text, which the database takes apart: thousands of them in one statement. */
    private String rows(List<Part> parts) {
        ArrayNode rows = json.createArrayNode();
        for (Part part : parts) {
            rows.addObject()
                    .put("id", part.id().value())
                    .put("parent", part.parent().map(PartId::value).orElse(null))
                    .put("ord", part.order())
                    .set("body", json.valueToTree(part.body()));
        }
        return json.writeValueAsString(rows);
    }

    /** Ends a show that never came to be. */
    @Transactional
    public void erase(String showId) {
        mapper.erase(showId);
    }

    public List<SavedValue> values(String showId) {
        return mapper.values(showId).stream()
                .map(row -> new SavedValue(
                        new PartId(row.controlId()),
                        json.readValue(row.axes(), AXES),
                        Belief.valueOf(row.belief()),
                        row.movedBy()))
                .toList();
    }

    /** Those of a show that is gone meanwhile are not kept. */
    @Transactional
    public void saveValues(String showId, Collection<SavedValue> values) {
        // who deletes the show locks it first and its values then: in another order they would wait for each other
        if (mapper.hold(showId).isEmpty()) {
            return;
        }
        values.forEach(v -> mapper.putValue(new Rows.ValueRow(
                showId,
                v.control().value(),
                json.writeValueAsString(v.axes()),
                v.belief().name(),
                v.movedBy())));
    }

    /** Where the cue lists of a show stood last. */
    private List<CueListView.Place> cuePlaces(String showId) {
        return mapper.cuePlaces(showId).stream()
                .map(row -> new CueListView.Place(
                        new PartId(row.listId()),
                        Optional.ofNullable(row.nextId()).map(PartId::new),
                        Optional.ofNullable(row.lastId()).map(PartId::new)))
                .toList();
    }

    @Transactional
    public void savePlaces(String showId, Places places) {
        if (mapper.hold(showId).isEmpty()) {
            return;
        }
        places.tracks()
                .forEach(place -> mapper.putTrackPlace(showId, place.track().value(), place.position()));
        places.away().forEach(away -> mapper.putTargetAway(showId, away.target().value(), away.at()));
        places.sets()
                .forEach(place -> mapper.putSetPlace(
                        showId,
                        place.set().value(),
                        place.ready().map(PartId::value).orElse(null),
                        place.onAir().map(PartId::value).orElse(null)));
        places.lists()
                .forEach(place -> mapper.putCuePlace(
                        showId,
                        place.list().value(),
                        place.next().map(PartId::value).orElse(null),
                        place.last().map(PartId::value).orElse(null)));
    }

    /** What is remembered of how a show stood when it ran last. */
    public Remembered remembered(String showId) {
        return new Remembered(
                values(showId),
                new Places(
                        cuePlaces(showId),
                        mapper.trackPlaces(showId).stream()
                                .map(row -> new TrackView.Place(new PartId(row.trackId()), row.position()))
                                .toList(),
                        mapper.setPlaces(showId).stream()
                                .map(row -> new SetView(
                                        new PartId(row.setId()),
                                        Optional.ofNullable(row.ready()).map(PartId::new),
                                        Optional.ofNullable(row.onAir()).map(PartId::new),
                                        Optional.empty()))
                                .toList(),
                        mapper.targetsAway(showId).stream()
                                .map(row -> new Places.Away(new PartId(row.targetId()), row.at()))
                                .toList()));
    }

    @Transactional
    public void nameBrowser(String id, String name) {
        mapper.putBrowser(id, name);
    }

    /** Who uses a browser. */
    public Person person(String browser) {
        new Person(browser, "").problem().ifPresent(problem -> {
            throw new IllegalArgumentException(problem);
        });
        return new Person(browser, mapper.browserName(browser).orElse("A browser without a name"));
    }

    private Held held(Rows.PartRow row) {
        Part part = new Part(
                new PartId(row.id()),
                Optional.ofNullable(row.parent()).map(PartId::new),
                row.ord(),
                json.readValue(row.body(), Body.class));
        return new Held(part, row.version(), new Person(row.authorId(), row.authorName()));
    }
}
