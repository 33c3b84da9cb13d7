package imperan.line;

import imperan.address.NearMiss;
import imperan.address.SlotAddress;
import imperan.phrasebook.TypeTags;
import imperan.phrasebook.Vocabulary;
import imperan.shaping.Chain;
import imperan.shaping.ShapingText;
import imperan.shaping.Span;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.Twin;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** All lines of a show, page by page, each checked against the phrasebook of its target. */
public final class LineTable {

    private record Spoken(Vocabulary known, String address, Phrase.Direction other) {
    }

    private final Show show;
    /** What is meant by addresses that no phrasebook knows; to find it, all phrases are compared. */
    private final Map<Spoken, Optional<String>> meant = new HashMap<>();

    private LineTable(Show show) {
        this.show = show;
    }

    public static List<TableLine> of(Show show) {
        return new LineTable(show).lines(show.all(Page.class), false);
    }

    /** What the phrasebook of its target says against one send. */
    public static List<LineFinding> findings(Show show, Send send) {
        return new LineTable(show).checks(send);
    }

    /** The lines of all that is seen on one page, also of what is shown there again; none where there is no such page. */
    public static List<TableLine> of(Show show, PartId page) {
        return new LineTable(show).lines(show.part(page).filter(part -> part.body() instanceof Page).stream().toList(), true);
    }

    /** @param again whether what is shown again is looked at, too: in a list of all pages it is there already */
    private List<TableLine> lines(List<Part> pages, boolean again) {
        List<TableLine> lines = new ArrayList<>();
        for (Part page : pages) {
            String called = page.body().called() + (show.inDraft(page) ? " of the copy" : "");
            show.children(page.id()).forEach(laid -> {
                add(meant(laid, again), called, lines);
                show.children(laid.id()).forEach(inside -> add(meant(inside, again), called + ", " + laid.body().called(), lines));
            });
        }
        return lines;
    }

    private Part meant(Part laid, boolean again) {
        return again && laid.body() instanceof Twin twin ? show.part(twin.of()).orElse(laid) : laid;
    }

    private void add(Part part, String page, List<TableLine> lines) {
        if (!(part.body() instanceof Control control)) {
            return;
        }
        for (int i = 0; i < control.sends().size(); i++) {
            Send send = control.sends().get(i);
            Optional<Chain> chain = send.arguments().stream().filter(ArgumentSource.Value.class::isInstance)
                    .map(ArgumentSource.Value.class::cast).findFirst().map(ArgumentSource.Value::chain);
            lines.add(new TableLine(id(part.id(), TableLine.Kind.SEND, i + 1), part.id(), TableLine.Kind.SEND, i + 1, page, control.called(),
                    send.on().name().toLowerCase(Locale.ROOT), send.target(), name(send.target()), send.address(),
                    TypeTags.of(send.arguments().stream().map(ArgumentSource::type).toList()), chain.flatMap(c -> number(c.low())),
                    chain.flatMap(c -> number(c.high())), chain.map(c -> ShapingText.write(c.steps())).orElse(""), checks(send)));
        }
        for (int i = 0; i < control.listens().size(); i++) {
            Listen listen = control.listens().get(i);
            Optional<Chain> chain = listen.role() == Listen.Role.VALUE ? Optional.of(listen.chain(control.sends())) : Optional.empty();
            lines.add(new TableLine(id(part.id(), TableLine.Kind.LISTEN, i + 1), part.id(), TableLine.Kind.LISTEN, i + 1, page, control.called(),
                    listen.role().name().toLowerCase(Locale.ROOT), listen.target(), name(listen.target()), listen.address(), "",
                    chain.flatMap(c -> number(c.low())), chain.flatMap(c -> number(c.high())),
                    chain.map(c -> listen.shaping().map(ShapingText::write).orElse(TableLine.AS_SENT)).orElse(""), checks(listen, control)));
        }
    }

    static String id(PartId control, TableLine.Kind kind, int number) {
        return control.value() + ":" + kind.name().toLowerCase(Locale.ROOT) + ":" + number;
    }

    private String name(Optional<PartId> target) {
        return target.flatMap(show::part).map(part -> part.body().called()).orElse("");
    }

    // ---- checks

    private List<LineFinding> checks(Send send) {
        List<LineFinding> found = new ArrayList<>();
        Optional<Vocabulary> known = vocabulary(send.target(), "Nobody gets it: no target is chosen", found);
        if (known.isEmpty()) {
            return found;
        }
        Optional<Vocabulary.Known> phrase = known.get().said(send.address());
        if (phrase.isEmpty()) {
            found.add(unknown(send.address(), name(send.target()), known.get(), Phrase.Direction.IN, "says it and does not take it"));
            return found;
        }
        List<PhraseArgument> wanted = phrase.get().phrase().arguments();
        List<ArgumentType> types = send.arguments().stream().map(ArgumentSource::type).toList();
        List<ArgumentType> meant = wanted.stream().map(PhraseArgument::type).toList();
        if (!types.equals(meant)) {
            String takes = MeantArguments.words(meant);
            found.add(new LineFinding("It sends " + MeantArguments.words(types) + "; " + name(send.target()) + " takes " + takes,
                    // what a colour is made of depends on the control
                    meant.contains(ArgumentType.COLOUR) ? Optional.empty()
                            : Optional.of(LineFinding.Mend.arguments("Send " + takes, MeantArguments.ofTypes(send.arguments(), wanted)))));
            return found;
        }
        for (int i = 0; i < wanted.size(); i++) {
            argument(send, i, wanted.get(i), found);
        }
        return found;
    }

    private static void argument(Send send, int index, PhraseArgument wanted, List<LineFinding> found) {
        ArgumentSource source = send.arguments().get(index);
        if (source instanceof ArgumentSource.Value value && wanted.low().isPresent() && wanted.high().isPresent()) {
            Span out = value.chain().out();
            double low = out.low();
            double high = out.high();
            String whole = plain(wanted.low().get()) + " to " + plain(wanted.high().get());
            List<ArgumentSource> meant = new ArrayList<>(send.arguments());
            meant.set(index, MeantArguments.within(value, wanted));
            Optional<LineFinding.Mend> mend = Optional.of(LineFinding.Mend.arguments("Use " + whole, meant));
            if (low < wanted.low().get() || high > wanted.high().get()) {
                found.add(new LineFinding("It goes from " + plain(low) + " to " + plain(high) + "; only " + whole + " counts", mend));
            } else if (low > wanted.low().get() || high < wanted.high().get()) {
                found.add(new LineFinding("It reaches " + plain(low) + " to " + plain(high) + " of " + whole + onlySeen(wanted.type(), low, high), mend));
            }
        } else if (source instanceof ArgumentSource.Fixed fixed && !wanted.choices().isEmpty() && !wanted.choices().contains(fixed.text())) {
            found.add(LineFinding.of("“" + fixed.text() + "” is none of " + String.join(", ", wanted.choices())));
        }
    }

    /** A range that was meant for decimals leaves next to nothing of whole numbers. */
    private static String onlySeen(ArgumentType type, double low, double high) {
        boolean whole = type == ArgumentType.INT32 || type == ArgumentType.INT64;
        long least = Math.round(low);
        long most = Math.round(high);
        return whole && most - least == 1 ? ": the target only ever sees " + least + " and " + most : whole && most == least ? ": the target only ever sees " + least : "";
    }

    private List<LineFinding> checks(Listen listen, Control control) {
        List<LineFinding> found = new ArrayList<>();
        if (listen.role() == Listen.Role.VALUE) {
            listen.chain(control.sends()).noWayBack().ifPresent(about -> found.add(LineFinding.of("What is heard cannot go back through step " + (about.step() + 1)
                    + " of what is sent: " + about.words() + ". Give it a range of its own")));
        }
        Optional<Vocabulary> known = vocabulary(listen.target(), "It listens to nobody: no target is chosen", found);
        if (known.isEmpty()) {
            return found;
        }
        if (known.get().heard(listen.address()).isEmpty() && !known.get().answers(listen.address())) {
            found.add(unknown(listen.address(), name(listen.target()), known.get(), Phrase.Direction.OUT, "takes it and never says it"));
        }
        return found;
    }

    /** The phrasebook of a target; empty where there is none to check against. */
    private Optional<Vocabulary> vocabulary(Optional<PartId> target, String nobody, List<LineFinding> found) {
        if (target.flatMap(show::part).filter(part -> part.body() instanceof Target).isEmpty()) {
            found.add(LineFinding.of(nobody));
            return Optional.empty();
        }
        return Optional.of(Vocabulary.of(show, target.get())).filter(known -> !known.isEmpty());
    }

    private LineFinding unknown(String address, String target, Vocabulary known, Phrase.Direction other, String otherWay) {
        // what is not known in the way that was meant is known in the other or not at all
        if ((other == Phrase.Direction.IN ? known.heard(address) : known.said(address)).isPresent()) {
            return LineFinding.of(target + " " + otherWay);
        }
        Optional<String> near = meant.computeIfAbsent(new Spoken(known, address, other), spoken -> NearMiss.of(address,
                known.phrases().filter(phrase -> phrase.direction() != other).map(phrase -> SlotAddress.parseFreely(phrase.address())).toList()));
        return new LineFinding(target + "’s phrasebook has no " + address + near.map(m -> "; did you mean " + m + "?").orElse(""),
                near.map(LineFinding.Mend::address));
    }

    private static Optional<Double> number(double number) {
        return Double.isNaN(number) ? Optional.empty() : Optional.of(number);
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15 ? String.valueOf((long) value) : String.valueOf(value);
    }
}
