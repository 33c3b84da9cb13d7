package imperan.server.api;

import imperan.phrasebook.ExampleLine;
import imperan.server.api.WireViews.AddressesAsked;
import imperan.server.api.WireViews.AddressesFound;
import imperan.server.api.WireViews.GivenTo;
import imperan.server.api.WireViews.PlotAsked;
import imperan.server.api.WireViews.Plotted;
import imperan.server.api.WireViews.WireAsked;
import imperan.server.api.WireViews.WireFound;
import imperan.server.api.WireViews.WirePacket;
import imperan.server.run.Readings;
import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.wire.Found;
import imperan.wire.FromWire;
import imperan.wire.Search;
import imperan.wire.WireRecord;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiFunction;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The packets of the live show: as a list, by address, taken apart and as curves. Whoever looks asks again; the loop only lends what is kept, and what is looked for is found elsewhere. */
@RestController
@RequestMapping("/api/shows/{show}/wire")
class WireController {

    /** As many as anybody scrolls through. */
    private static final int MOST_ADDRESSES = 200;
    /** Rows in one answer; older ones are asked for. */
    private static final int MOST_ROWS = 400;

    private static final int MOST_LINES = 8;
    /** More than a screen has room for side by side. */
    private static final int MOST_POINTS = 2_000;

    private static final long SECOND = 1_000_000_000L;
    private static final int LONGEST_PLOT = 3_600;

    private final Readings readings;
    private final Keeper keeper;
    private final ShowStore store;

    WireController(Readings readings, Keeper keeper, ShowStore store) {
        this.readings = readings;
        this.keeper = keeper;
        this.store = store;
    }

    /** The packets that are looked for: the newest, those that are new since the last time, or those before one. */
    @PostMapping("/rows")
    CompletableFuture<WireFound> rows(@PathVariable("show") String show, @RequestBody WireAsked asked) {
        Search.Read read = Search.of(asked.query().text());
        if (!(read instanceof Search.Read.For found)) {
            return CompletableFuture.completedFuture(
                    WireFound.faulty(((Search.Read.Faulty) read).problem().message()));
        }
        return readings.wire(show)
                .thenApplyAsync(wire -> WireFound.of(Found.in(
                        wire.packets(),
                        wire.change(),
                        asked.query().filter(found.search()),
                        asked.since(),
                        asked.before(),
                        MOST_ROWS,
                        wire.now())));
    }

    /** What was said, by its address; what moved last comes first. */
    @PostMapping("/addresses")
    CompletableFuture<AddressesFound> addresses(@PathVariable("show") String show, @RequestBody AddressesAsked asked) {
        Search.Read read = Search.of(asked.query().text());
        return read instanceof Search.Read.For found
                ? readings.addresses(
                                show,
                                asked.query().filter(found.search()),
                                (long) (asked.sinceMillis() * 1e6),
                                MOST_ADDRESSES)
                        .thenApply(AddressesFound::of)
                : CompletableFuture.completedFuture(new AddressesFound(
                        List.of(),
                        0,
                        Optional.of(((Search.Read.Faulty) read).problem().message())));
    }

    /** One packet by its number, taken apart; 404 where it is no longer kept. */
    @GetMapping("/{number}")
    CompletableFuture<ResponseEntity<WirePacket>> packet(
            @PathVariable("show") String show, @PathVariable("number") long number) {
        return readings.wire(show)
                .thenApplyAsync(wire -> ResponseEntity.of(numbered(wire.packets(), number)
                        .map(record ->
                                WirePacket.of(record, record.pair().flatMap(pair -> numbered(wire.packets(), pair))))));
    }

    /** Numbers follow each other. */
    private static Optional<WireRecord> numbered(List<WireRecord> packets, long number) {
        long place = packets.isEmpty() ? -1 : number - packets.get(0).number();
        return place < 0 || place >= packets.size() ? Optional.empty() : Optional.of(packets.get((int) place));
    }

    /** Adds the address of a packet to the phrasebook of its target. */
    @PostMapping("/{number}/phrase")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> phrase(
            @PathVariable("show") String show,
            @PathVariable("number") long number,
            @RequestHeader(ShowController.BROWSER) String browser) {
        return making(show, number, browser, FromWire::phrase);
    }

    /** Gives the address of a packet to a control. */
    @PostMapping("/{number}/lines")
    CompletableFuture<ResponseEntity<ShowController.EditAnswer>> lines(
            @PathVariable("show") String show,
            @PathVariable("number") long number,
            @RequestHeader(ShowController.BROWSER) String browser,
            @RequestBody GivenTo to) {
        return making(show, number, browser, (from, record) -> from.lines(record, to.control()));
    }

    private CompletableFuture<ResponseEntity<ShowController.EditAnswer>> making(
            String show, long number, String browser, BiFunction<FromWire, WireRecord, Outcome> making) {
        Person person = store.person(browser);
        return readings.wire(show)
                .thenCompose(wire -> keeper.change(show, now -> numbered(wire.packets(), number)
                        .map(record -> making.apply(new FromWire(now, wire.packets(), person), record))
                        .orElseGet(() -> Outcome.Refused.because(
                                "This message is no longer kept: newer ones have taken its place"))))
                .thenApply(ShowController::answer);
    }

    /** What a target understands, as messages that can be sent. */
    @GetMapping("/lines/{target}")
    List<ExampleLine> lines(@PathVariable("show") String show, @PathVariable("target") String target) {
        return ExampleLine.of(keeper.show(show).join(), new PartId(target));
    }

    /** How some numbers went, out and in. */
    @PostMapping("/plot")
    CompletableFuture<Plotted> plot(@PathVariable("show") String show, @RequestBody PlotAsked asked) {
        int seconds = Math.max(1, Math.min(LONGEST_PLOT, asked.seconds()));
        return readings.wire(show)
                .thenApplyAsync(wire -> new Plotted(
                        wire.now() / 1e6,
                        asked.lines().stream()
                                .limit(MOST_LINES)
                                .map(line -> line.points(wire.packets(), wire.now() - seconds * SECOND, MOST_POINTS))
                                .toList()));
    }
}
