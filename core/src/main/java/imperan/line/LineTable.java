package imperan.line;

import imperan.check.Lined;
import imperan.phrasebook.TypeTags;
import imperan.shaping.Chain;
import imperan.shaping.ShapingText;
import imperan.show.ArgumentSource;
import imperan.show.CueList;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Twin;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** All lines of a show, page by page, and those of cues and songs list by list. */
public final class LineTable {

    private final Show show;

    private LineTable(Show show) {
        this.show = show;
    }

    public static List<TableLine> of(Show show) {
        LineTable table = new LineTable(show);
        List<TableLine> lines = table.lines(show.all(Page.class), false);
        for (Part list : show.all(CueList.class)) {
            CueList.cues(show, list.id())
                    .forEach(cue -> table.add(cue, list.body().called(), lines));
        }
        for (Part list : show.all(SetList.class)) {
            show.children(list.id()).forEach(song -> table.add(song, list.body().called(), lines));
        }
        return lines;
    }

    /** The lines of all that is seen on one page, also of what is shown there again; none where there is no such page. */
    public static List<TableLine> of(Show show, PartId page) {
        return new LineTable(show)
                .lines(
                        show.part(page).filter(part -> part.body() instanceof Page).stream()
                                .toList(),
                        true);
    }

    /** @param again whether what is shown again is looked at, too: in a list of all pages it is there already */
    private List<TableLine> lines(List<Part> pages, boolean again) {
        List<TableLine> lines = new ArrayList<>();
        for (Part page : pages) {
            String called = page.body().called() + (show.inDraft(page) ? " of the copy" : "");
            show.children(page.id()).forEach(laid -> {
                add(meant(laid, again), called, lines);
                show.children(laid.id())
                        .forEach(inside -> add(
                                meant(inside, again),
                                called + ", " + laid.body().called(),
                                lines));
            });
        }
        return lines;
    }

    private Part meant(Part laid, boolean again) {
        return again && laid.body() instanceof Twin twin ? show.part(twin.of()).orElse(laid) : laid;
    }

    private void add(Part part, String page, List<TableLine> lines) {
        Optional<Lined> lined = Lined.of(part.body());
        if (lined.isEmpty()) {
            return;
        }
        List<Send> sends = lined.get().sends();
        for (int i = 0; i < sends.size(); i++) {
            Send send = sends.get(i);
            Optional<Chain> chain = send.arguments().stream()
                    .filter(ArgumentSource.Value.class::isInstance)
                    .map(ArgumentSource.Value.class::cast)
                    .findFirst()
                    .map(ArgumentSource.Value::chain);
            lines.add(new TableLine(
                    id(part.id(), TableLine.Kind.SEND, i + 1),
                    part.id(),
                    TableLine.Kind.SEND,
                    i + 1,
                    lined.get().field(i),
                    page,
                    part.body().called(),
                    lined.get().on(i),
                    send.target(),
                    name(send.target()),
                    send.address(),
                    TypeTags.of(
                            send.arguments().stream().map(ArgumentSource::type).toList()),
                    chain.flatMap(c -> number(c.low())),
                    chain.flatMap(c -> number(c.high())),
                    chain.map(c -> ShapingText.write(c.steps())).orElse("")));
        }
        for (int i = 0; i < lined.get().listens().size(); i++) {
            Listen listen = lined.get().listens().get(i);
            Optional<Chain> chain =
                    listen.role() == Listen.Role.VALUE ? Optional.of(listen.chain(sends)) : Optional.empty();
            lines.add(new TableLine(
                    id(part.id(), TableLine.Kind.LISTEN, i + 1),
                    part.id(),
                    TableLine.Kind.LISTEN,
                    i + 1,
                    lined.get().listenField(i),
                    page,
                    part.body().called(),
                    listen.role().name().toLowerCase(Locale.ROOT),
                    listen.target(),
                    name(listen.target()),
                    listen.address(),
                    "",
                    chain.flatMap(c -> number(c.low())),
                    chain.flatMap(c -> number(c.high())),
                    chain.map(c -> listen.shaping().map(ShapingText::write).orElse(TableLine.AS_SENT))
                            .orElse("")));
        }
    }

    static String id(PartId part, TableLine.Kind kind, int number) {
        return part.value() + ":" + kind.name().toLowerCase(Locale.ROOT) + ":" + number;
    }

    private String name(Optional<PartId> target) {
        return target.flatMap(show::part).map(part -> part.body().called()).orElse("");
    }

    private static Optional<Double> number(double number) {
        return Double.isNaN(number) ? Optional.empty() : Optional.of(number);
    }
}
