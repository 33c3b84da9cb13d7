package imperan.server.api;

import imperan.address.SlotAddress;
import imperan.check.Checks;
import imperan.phrasebook.BookChange;
import imperan.phrasebook.KnownBook;
import imperan.phrasebook.OscQuery;
import imperan.phrasebook.PhraseEdit;
import imperan.phrasebook.ReadRow;
import imperan.phrasebook.ReadTable;
import imperan.phrasebook.TableExport;
import imperan.phrasebook.TableImport;
import imperan.server.access.NetworkDoor;
import imperan.server.net.AddressSpaceAsker;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Phrasebooks: taken in after a look at every row, given out again, asked of targets, collected from what they say. */
@RestController
@RequestMapping("/api/shows/{show}/phrasebooks")
class PhrasebookController {

    private final Keeper keeper;
    /** Nothing is kept of what is only looked at. */
    private static final Person NOBODY = new Person("", "");

    private final ShowStore store;
    private final ShowLoop loop;
    private final AddressSpaceAsker asker;

    PhrasebookController(Keeper keeper, ShowStore store, ShowLoop loop, AddressSpaceAsker asker) {
        this.asker = asker;
        this.keeper = keeper;
        this.store = store;
        this.loop = loop;
    }

    /** Where phrases come from. */
    enum Source {
        /** A table as text. */
        TABLE,
        /** OSCQuery JSON as text. */
        OSCQUERY,
        /** An address of a target that serves OSCQuery JSON: the text is its URL. */
        ASKED,
        /** What a target of the rig was heard to say: the text is its id. */
        HEARD,
        /** A phrasebook of another show: the text is the show's id, a slash and the phrasebook's id. */
        OTHER_SHOW
    }

    /**
     * @param bare    whether an address of a table that lacks the slash at its start is meant so
     * @param columns what somebody says of columns of a table, the last word last; the others are taken as they look
     */
    record Reading(Source source, String name, String text, boolean bare, List<ReadTable.Told> columns) {}

    /**
     * @param rows       what became of each row
     * @param columns    of a table, what they were taken as; else none
     * @param difference to the phrasebook of that name; empty where there is none
     * @param broken     what would be found of lines of this show, by what is done with both
     */
    record ReadPreview(
            List<ReadRow> rows,
            List<ReadTable.Column> columns,
            Optional<BookChange.Difference> difference,
            Map<BookChange.OnSameName, List<BrokenLine>> broken) {}

    /** @param control whose line it is */
    record BrokenLine(PartId control, String name, String text) {}

    record Taking(
            Source source,
            String name,
            String text,
            boolean bare,
            List<ReadTable.Told> columns,
            BookChange.OnSameName onSameName) {}

    @PostMapping("/preview")
    ReadPreview preview(@PathVariable("show") String showId, @RequestBody Reading reading, HttpServletRequest request) {
        ReadTable read =
                rows(showId, reading.source(), reading.text(), reading.bare(), reading.columns(), isHere(request));
        Show show = keeper.show(showId).join();
        BookChange change = new BookChange(show, reading.name(), phrases(read.rows()));
        Optional<BookChange.Difference> difference = change.difference();
        return new ReadPreview(
                read.rows(),
                read.columns(),
                difference,
                difference.isEmpty()
                        ? Map.of()
                        : Arrays.stream(BookChange.OnSameName.values())
                                .collect(Collectors.toMap(Function.identity(), how -> broken(show, change.edit(how)))));
    }

    private static List<BrokenLine> broken(Show show, EditRequest request) {
        return show.apply(request, NOBODY) instanceof Outcome.Accepted done
                ? Checks.arising(show, done.edit(), done.show()).stream()
                        .map(finding -> new BrokenLine(
                                finding.about(),
                                show.part(finding.about())
                                        .map(part -> part.body().called())
                                        .orElse(""),
                                finding.text()))
                        .toList()
                : List.of();
    }

    @PostMapping
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> take(
            @PathVariable("show") String showId,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody Taking taking,
            HttpServletRequest request) {
        List<Phrase> phrases =
                phrases(rows(showId, taking.source(), taking.text(), taking.bare(), taking.columns(), isHere(request))
                        .rows());
        Person person = store.person(browser);
        Optional<Phrasebook.LinkSheet> sheet = taking.source() == Source.OTHER_SHOW
                ? otherBook(taking.text()).map(book -> book.book().sheet())
                : Optional.empty();
        return keeper.change(
                        showId,
                        show -> phrases.isEmpty()
                                ? Outcome.Refused.because("There is no phrase in it that can be taken in")
                                : show.apply(
                                        new BookChange(show, taking.name(), phrases, sheet).edit(taking.onSameName()),
                                        person))
                .thenApply(ShowController::answer);
    }

    private static List<Phrase> phrases(List<ReadRow> rows) {
        return rows.stream().flatMap(row -> row.phrase().stream()).toList();
    }

    private ReadTable rows(
            String showId, Source source, String text, boolean bare, List<ReadTable.Told> columns, boolean isHere) {
        return source == Source.TABLE
                ? TableImport.read(text, bare, columns)
                : new ReadTable(rows(showId, source, text, isHere), List.of());
    }

    private List<ReadRow> rows(String showId, Source source, String text, boolean isHere) {
        return switch (source) {
            case TABLE -> TableImport.read(text);
            case OSCQUERY -> OscQuery.read(text);
            case ASKED -> asked(text.strip(), isHere);
            case HEARD -> {
                PartId target = new PartId(text);
                yield understood(loop.ask(showId, (running, now) -> running.collected(target), List.<Phrase>of())
                        .join());
            }
            case OTHER_SHOW -> understood(
                    otherBook(text).map(KnownBook::phrases).orElse(List.of()));
        };
    }

    private static List<ReadRow> understood(List<Phrase> phrases) {
        return phrases.stream()
                .map(phrase -> new ReadRow(phrase.address(), ReadRow.Verdict.UNDERSTOOD, Optional.of(phrase), ""))
                .toList();
    }

    private Optional<KnownBook> otherBook(String text) {
        int slash = text.indexOf('/');
        if (slash < 0) {
            throw new IllegalArgumentException("a show and a phrasebook are needed, with a slash between");
        }
        return KnownBook.of(keeper.show(text.substring(0, slash)).join(), new PartId(text.substring(slash + 1)));
    }

    private static List<Phrase> phrases(Show show, PartId book) {
        return KnownBook.of(show, book).map(KnownBook::phrases).orElse(List.of());
    }

    private static boolean isHere(HttpServletRequest request) {
        return NetworkDoor.isThisMachine(request.getRemoteAddr());
    }

    private List<ReadRow> asked(String address, boolean isHere) {
        AddressSpaceAsker.Answer answer = asker.ask(address, isHere);
        return answer instanceof AddressSpaceAsker.Answer.Text text
                ? OscQuery.read(text.json())
                : List.of(ReadRow.refused(address, ((AddressSpaceAsker.Answer.None) answer).why()));
    }

    // ---- what is there

    /** The phrasebooks of the other shows. */
    @GetMapping("/elsewhere")
    List<ShowStore.BookElsewhere> elsewhere(@PathVariable("show") String showId) {
        return store.booksElsewhere(showId);
    }

    record Values(String text) {}

    /** Gives an argument of a phrase the values that a person wrote. */
    @PutMapping("/phrases/{phrase}/arguments/{argument}/values")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> values(
            @PathVariable("show") String showId,
            @PathVariable("phrase") String phrase,
            @PathVariable("argument") int argument,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody Values values) {
        PartId id = new PartId(phrase);
        Person person = store.person(browser);
        return keeper.change(showId, show -> PhraseEdit.values(show, id, argument, values.text(), person))
                .thenApply(ShowController::answer);
    }

    /** Says between which values a phrase stays in a proof at the venue, as a person wrote it. */
    @PutMapping("/phrases/{phrase}/proof/values")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> proofValues(
            @PathVariable("show") String showId,
            @PathVariable("phrase") String phrase,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody Values values) {
        Person person = store.person(browser);
        return keeper.change(showId, show -> PhraseEdit.proofValues(show, new PartId(phrase), values.text(), person))
                .thenApply(ShowController::answer);
    }

    /**
     * A step that a proof found.
     *
     * @param address on which it is said to the target
     * @param step    in the unit of its argument
     */
    record FoundStep(String target, String address, double step) {}

    /** Writes the step that a target keeps into the phrase of an address. */
    @PutMapping("/step")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> step(
            @PathVariable("show") String showId,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody FoundStep found) {
        Person person = store.person(browser);
        return keeper.change(
                        showId,
                        show -> PhraseEdit.step(
                                show, new PartId(found.target()), found.address(), found.step(), person))
                .thenApply(ShowController::answer);
    }

    // ---- out again

    @GetMapping(value = "/{book}/phrases.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@PathVariable("show") String showId, @PathVariable("book") String book) {
        return file(showId, book, "phrases.csv", (name, phrases) -> Optional.of(TableExport.write(phrases)));
    }

    @GetMapping(value = "/{book}/oscquery.json", produces = "application/json")
    ResponseEntity<byte[]> oscQuery(@PathVariable("show") String showId, @PathVariable("book") String book) {
        return file(showId, book, "oscquery.json", OscQuery::write);
    }

    private interface Writing {
        /** Empty where there would be too much of it. */
        Optional<String> write(String name, List<Phrase> phrases);
    }

    private ResponseEntity<byte[]> file(String showId, String book, String file, Writing writing) {
        Show show = keeper.show(showId).join();
        PartId id = new PartId(book);
        if (!(show.part(id).map(Part::body).orElse(null) instanceof Phrasebook body)) {
            return ResponseEntity.notFound().build();
        }
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + file + "\"")
                .body(writing.write(body.name(), phrases(show, id))
                        .orElseThrow(() -> new IllegalArgumentException("its phrases stand for more than "
                                + SlotAddress.MAX_COUNT + " addresses, which no such file lists"))
                        .getBytes(StandardCharsets.UTF_8));
    }
}
