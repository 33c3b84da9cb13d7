package imperan.check;

import imperan.address.NearMiss;
import imperan.address.SlotAddress;
import imperan.phrasebook.Vocabulary;
import imperan.shaping.Span;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.FixedArgument;
import imperan.show.Listen;
import imperan.show.Look;
import imperan.show.NamedValue;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Send;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.Track;
import imperan.show.cue.Acting;
import imperan.show.cue.CueAction;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Checks of the lines of one control, cue or song: whether their targets take what they send, and say what they listen to. */
public final class LineChecks {

    private final Show show;
    private final Part part;
    private final Lined lined;
    private final List<Finding> found = new ArrayList<>();

    private LineChecks(Show show, Part part, Lined lined) {
        this.show = show;
        this.part = part;
        this.lined = lined;
    }

    /** None of what has no lines. What was accepted is not marked as such. */
    public static List<Finding> of(Show show, Part part) {
        return Lined.of(part.body())
                .map(lined -> new LineChecks(show, part, lined).findings())
                .orElse(List.of());
    }

    private List<Finding> findings() {
        if (part.body() instanceof Control control) {
            itself(control);
        } else if (part.body() instanceof Acting acting) {
            acting.acts().forEach(act -> itself(acting, act));
        }
        for (int i = 0; i < lined.sends().size(); i++) {
            send(i, lined.sends().get(i));
        }
        for (int i = 0; i < lined.listens().size(); i++) {
            listen(i, lined.listens().get(i));
        }
        return found;
    }

    private void itself(Control control) {
        if (control.sends().isEmpty()
                && control.listens().isEmpty()
                && control.form().wantsLines()) {
            found.add(Finding.of(
                    FindingKind.NO_LINES,
                    part.id(),
                    "sends",
                    "“" + control.called() + "” sends nothing and listens to nothing",
                    ""));
        }
        control.form()
                .needs()
                .filter(needed -> needed.chosen().flatMap(show::part).isEmpty())
                .ifPresent(needed -> found.add(Finding.of(
                        FindingKind.INCOMPLETE,
                        part.id(),
                        "form",
                        "“" + control.called() + "” does nothing yet. It still needs: which " + needed.what(),
                        needed.what())));
    }

    /** What an action needs and nobody chose, or what is gone. */
    private void itself(Acting acting, Acting.Act act) {
        CueAction action = act.action();
        String needed = action instanceof CueAction.BringControl bring && isGone(bring.control(), Control.class)
                ? "control"
                : action instanceof CueAction.RecallLook recall && isGone(recall.look(), Look.class)
                        ? "look"
                        : action instanceof CueAction.ShowPage shows && isGone(shows.page(), Page.class)
                                ? "page"
                                : action instanceof CueAction.SayStartList start && isGone(start.target(), Target.class)
                                                || action instanceof CueAction.HoldTarget hold
                                                        && isGone(hold.target(), Target.class)
                                        ? "target"
                                        : action instanceof CueAction.SteerList steer
                                                        && isGone(steer.list(), CueList.class)
                                                ? "list"
                                                : action instanceof CueAction.SteerTrack play
                                                                && isGone(play.track(), Track.class)
                                                        ? "track"
                                                        : action instanceof CueAction.SteerSongs songs
                                                                        && isGone(songs.set(), SetList.class)
                                                                ? "set list"
                                                                : "";
        if (!needed.isEmpty()) {
            String whose = acting instanceof Cue cue
                    ? "of cue " + cue.number()
                    : "of “" + acting.called() + "”, " + act.when() + ",";
            found.add(Finding.of(
                    FindingKind.INCOMPLETE,
                    part.id(),
                    act.field(),
                    "Action " + (act.index() + 1) + " " + whose + " does nothing yet. It still needs: which " + needed,
                    factsOf(act) + " " + needed));
        }
    }

    /** The first actions of a cue have been accepted by their number alone. */
    private static String factsOf(Acting.Act act) {
        return act.list().equals("actions") ? String.valueOf(act.index()) : act.field();
    }

    // ---- sends

    private void send(int index, Send send) {
        String field = lined.field(index);
        arguments(index, send);
        lookedUp(index, send);
        Optional<Vocabulary> known =
                vocabulary(field, send.target(), send.address(), "Nobody gets it: no target is chosen");
        if (isOpenSlot(field, send.address(), address -> putSend(index, send.at(address)), send.target())
                || known.isEmpty()) {
            return;
        }
        Optional<Phrase> phrase = known.get().said(send.address()).map(Vocabulary.Known::phrase);
        if (phrase.isPresent()) {
            against(index, send, phrase.get());
        } else if (known.get().heard(send.address()).isPresent()) {
            add(
                    FindingKind.ONLY_SAID_BY_TARGET,
                    field + "/address",
                    name(send.target()) + " says " + send.address() + " and does not take it",
                    send.address(),
                    send.target());
        } else {
            unknown(
                    field,
                    send.address(),
                    send.target(),
                    known.get().saidInstead(send.address()),
                    address -> putSend(index, send.at(address)));
        }
    }

    private void against(int index, Send send, Phrase phrase) {
        List<PhraseArgument> wanted = phrase.arguments();
        List<ArgumentType> types =
                send.arguments().stream().map(ArgumentSource::type).toList();
        List<ArgumentType> meant = wanted.stream().map(PhraseArgument::type).toList();
        if (types.equals(meant)) {
            IntStream.range(0, wanted.size()).forEach(i -> argument(index, send, i, wanted.get(i)));
            return;
        }
        String takes = MeantArguments.words(meant);
        Finding finding = finding(
                FindingKind.WRONG_TYPES,
                lined.field(index) + "/arguments",
                "It sends " + MeantArguments.words(types) + "; " + name(send.target()) + " takes " + takes,
                send.address() + " " + types + " " + meant,
                send.target());
        // what a colour is made of depends on the control
        found.add(
                meant.contains(ArgumentType.COLOUR)
                        ? finding
                        : finding.with(remedy(
                                "Send " + takes,
                                putSend(index, send.saying(MeantArguments.ofTypes(send.arguments(), wanted))))));
    }

    private void argument(int index, Send send, int at, PhraseArgument wanted) {
        ArgumentSource source = send.arguments().get(at);
        String field = lined.field(index) + "/arguments/" + at;
        if (source instanceof ArgumentSource.Value value
                && wanted.low().isPresent()
                && wanted.high().isPresent()) {
            range(index, send, at, value, wanted);
        } else if (source instanceof ArgumentSource.Fixed fixed
                && !wanted.choices().isEmpty()
                && !wanted.choices().contains(fixed.text())) {
            Optional<String> near = wanted.choices().stream()
                    .filter(choice ->
                            choice.strip().equalsIgnoreCase(fixed.text().strip()))
                    .findFirst();
            Finding finding = fixed.text().isBlank()
                    ? finding(
                            FindingKind.INCOMPLETE,
                            field,
                            "Still needs: which of " + String.join(", ", wanted.choices()),
                            send.address() + " " + at,
                            send.target())
                    : finding(
                            FindingKind.NOT_A_CHOICE,
                            field,
                            "“" + fixed.text() + "” is none of " + String.join(", ", wanted.choices())
                                    + near.map(choice -> ". It must be spelled “" + choice + "”")
                                            .orElse(""),
                            send.address() + " " + fixed.text() + " " + wanted.choices(),
                            send.target());
            found.add(near.map(choice -> finding.with(remedy(
                            "Use “" + choice + "”",
                            putSend(
                                    index,
                                    send.saying(replaced(
                                            send.arguments(), at, new ArgumentSource.Fixed(fixed.type(), choice)))))))
                    .orElse(finding));
        }
    }

    private void range(int index, Send send, int at, ArgumentSource.Value value, PhraseArgument wanted) {
        Span out = value.chain().out();
        String whole = plain(wanted.low().get()) + " to " + plain(wanted.high().get());
        String goes = plain(out.low()) + " to " + plain(out.high());
        boolean beyond =
                out.low() < wanted.low().get() || out.high() > wanted.high().get();
        boolean fallsShort =
                out.low() > wanted.low().get() || out.high() < wanted.high().get();
        if (beyond || fallsShort) {
            String text = beyond
                    ? "It goes from " + goes + "; only " + whole + " counts"
                    : "It reaches " + goes + " of " + whole + onlySeen(wanted.type(), out.low(), out.high());
            found.add(finding(
                            beyond ? FindingKind.RANGE_BEYOND : FindingKind.RANGE_SHORT,
                            lined.field(index) + "/arguments/" + at + "/shaping" + arises(value),
                            text,
                            send.address() + " " + goes + " of " + whole,
                            send.target())
                    .with(remedy(
                            "Use " + whole,
                            putSend(
                                    index,
                                    send.saying(
                                            replaced(send.arguments(), at, MeantArguments.within(value, wanted)))))));
        }
    }

    /** The step after which the range is what it is at the end; none where there are no steps. */
    private static String arises(ArgumentSource.Value value) {
        List<Span> spans = value.chain().spans();
        int first = IntStream.range(1, spans.size())
                .filter(i -> spans.get(i).equals(value.chain().out()))
                .findFirst()
                .orElse(0);
        return first == 0 ? "" : "/" + (first - 1);
    }

    /** A range that was meant for decimals leaves next to nothing of whole numbers. */
    private static String onlySeen(ArgumentType type, double low, double high) {
        boolean whole = type == ArgumentType.INT32 || type == ArgumentType.INT64;
        long least = Math.round(low);
        long most = Math.round(high);
        return whole && most - least == 1
                ? ": the target only ever sees " + least + " and " + most
                : whole && most == least ? ": the target only ever sees " + least : "";
    }

    /** What can be told of fixed texts whatever their target is. */
    private void arguments(int index, Send send) {
        boolean known = send.target()
                .filter(target ->
                        Vocabulary.of(show, target).said(send.address()).isPresent())
                .isPresent();
        for (int i = 0; i < send.arguments().size(); i++) {
            if (send.arguments().get(i) instanceof ArgumentSource.Fixed fixed && fixed.type() == ArgumentType.TEXT) {
                String field = lined.field(index) + "/arguments/" + i;
                Optional<ArgumentType> number = known ? Optional.empty() : number(fixed.text());
                int at = i;
                number.ifPresent(type -> found.add(finding(
                                FindingKind.LOOKS_LIKE_NUMBER,
                                field,
                                "“" + fixed.text() + "” leaves as a text, and looks like a number",
                                send.address() + " " + fixed.text(),
                                send.target())
                        .with(remedy(
                                "Send it as " + MeantArguments.words(List.of(type)),
                                putSend(
                                        index,
                                        send.saying(replaced(
                                                send.arguments(),
                                                at,
                                                new ArgumentSource.Fixed(
                                                        type, fixed.text().strip()))))))));
                // OSC 1.0, "OSC String": a sequence of non-null ASCII characters
                if (fixed.text().chars().anyMatch(c -> c > 127)) {
                    add(
                            FindingKind.NOT_ASCII,
                            field,
                            "“" + fixed.text()
                                    + "” has letters beyond ASCII, which OSC 1.0 does not know. They leave as UTF-8; not every target reads that",
                            send.address() + " " + fixed.text(),
                            send.target());
                }
            }
        }
    }

    /** Whether what is looked up can be found at all. */
    private void lookedUp(int index, Send send) {
        for (int i = 0; i < send.arguments().size(); i++) {
            String field = lined.field(index) + "/arguments/" + i;
            ArgumentSource source = send.arguments().get(i);
            String needed =
                    source instanceof ArgumentSource.OfNamedValue named && isGone(named.value(), NamedValue.class)
                            ? "value"
                            : source instanceof ArgumentSource.OfControl of && isGone(of.control(), Control.class)
                                    ? "control"
                                    : source instanceof ArgumentSource.Said said && isGone(said.target(), Target.class)
                                            ? "target"
                                            : "";
            if (!needed.isEmpty()) {
                add(
                        FindingKind.INCOMPLETE,
                        field,
                        "Argument " + (i + 1) + " still needs: which " + needed + " it is looked up from",
                        send.address() + " " + needed,
                        send.target());
            } else if (source instanceof ArgumentSource.Said said && neverSays(said)) {
                add(
                        FindingKind.NEVER_SAID_BY_TARGET,
                        field + "/address",
                        name(said.target()) + " never says " + said.address() + ", from which argument " + (i + 1)
                                + " is looked up",
                        said.address(),
                        said.target());
            }
        }
    }

    private boolean isGone(Optional<PartId> id, Class<? extends Body> kind) {
        return id.flatMap(show::part).map(Part::body).filter(kind::isInstance).isEmpty();
    }

    private boolean neverSays(ArgumentSource.Said said) {
        Vocabulary known = Vocabulary.of(show, said.target().orElseThrow());
        return known.phrases().findAny().isPresent()
                && known.heard(said.address()).isEmpty()
                && !known.answers(said.address());
    }

    private static Optional<ArgumentType> number(String text) {
        return List.of(ArgumentType.INT32, ArgumentType.FLOAT32).stream()
                .filter(type -> !text.isBlank()
                        && text.strip().matches("[-+]?[0-9.]+")
                        && FixedArgument.parse(new ArgumentSource.Fixed(type, text))
                                .problem()
                                .isEmpty())
                .findFirst();
    }

    // ---- listens

    private void listen(int index, Listen listen) {
        String field = "listens/" + index;
        if (listen.role() == Listen.Role.VALUE) {
            listen.chain(lined.sends())
                    .noWayBack()
                    .ifPresent(about -> add(
                            FindingKind.NO_WAY_BACK,
                            field + "/shaping",
                            "What is heard cannot go back through step " + (about.step() + 1) + " of what is sent: "
                                    + about.words() + ". Give it a range of its own",
                            listen.address() + " " + about.words(),
                            listen.target()));
        }
        Optional<Vocabulary> known =
                vocabulary(field, listen.target(), listen.address(), "It listens to nobody: no target is chosen");
        if (isOpenSlot(field, listen.address(), address -> putListen(index, listen.on(address)), listen.target())
                || known.isEmpty()
                || known.get().heard(listen.address()).isPresent()
                || known.get().answers(listen.address())) {
            return;
        }
        if (known.get().said(listen.address()).isPresent()) {
            add(
                    FindingKind.NEVER_SAID_BY_TARGET,
                    field + "/address",
                    name(listen.target()) + " takes " + listen.address() + " and never says it",
                    listen.address(),
                    listen.target());
        } else {
            unknown(
                    field,
                    listen.address(),
                    listen.target(),
                    known.get().heardInstead(listen.address()),
                    address -> putListen(index, listen.on(address)));
        }
    }

    // ---- both

    /** The phrasebook of a target; empty where there is none to check against. */
    private Optional<Vocabulary> vocabulary(String field, Optional<PartId> target, String address, String nobody) {
        if (target.flatMap(show::part)
                .filter(found -> found.body() instanceof Target)
                .isEmpty()) {
            found.add(Finding.of(FindingKind.NO_TARGET, part.id(), field + "/target", nobody, address));
            return Optional.empty();
        }
        return Optional.of(Vocabulary.of(show, target.get())).filter(known -> !known.isEmpty());
    }

    /** An address that still stands for many. */
    private boolean isOpenSlot(String field, String address, Changed use, Optional<PartId> target) {
        SlotAddress slots = SlotAddress.parseFreely(address);
        if (slots.problem().isPresent() || slots.slots().isEmpty()) {
            return false;
        }
        SlotAddress.Piece.Slot slot = slots.slots().get(0);
        found.add(finding(
                        FindingKind.INCOMPLETE,
                        field + "/address",
                        "Still needs: which " + slot.name() + " (" + slot.first() + " to " + slot.last() + ")",
                        address,
                        target)
                .with(remedy("Use " + slots.first(), use.with(slots.first()))));
        return true;
    }

    private void unknown(
            String field, String address, Optional<PartId> target, Optional<NearMiss.Meant> near, Changed use) {
        Finding finding =
                finding(kind(near), field + "/address", unknownText(name(target), address, near), address, target);
        found.add(near.map(meant -> finding.with(remedy("Use " + meant.address(), use.with(meant.address()))))
                .orElse(finding));
    }

    static FindingKind kind(Optional<NearMiss.Meant> near) {
        return near.map(meant -> switch (meant.how()) {
                    case LETTER_CASE -> FindingKind.LETTER_CASE;
                    case OUT_OF_RANGE -> FindingKind.NUMBER_OUT_OF_RANGE;
                    case COUNTING_BASE -> FindingKind.COUNTING_BASE;
                    case SPELLING -> FindingKind.ADDRESS_UNKNOWN;
                })
                .orElse(FindingKind.ADDRESS_UNKNOWN);
    }

    static String unknownText(String target, String address, Optional<NearMiss.Meant> near) {
        String has = target + "’s phrasebook has no " + address;
        return near.map(meant -> switch (meant.how()) {
                    case LETTER_CASE -> has + ": capitals and small letters differ. Did you mean " + meant.address()
                            + "?";
                    case OUT_OF_RANGE -> has
                            + meant.range()
                                    .map(beside -> ": " + beside.slot() + " goes from " + beside.first() + " to "
                                            + beside.last())
                                    .orElse("");
                    case COUNTING_BASE -> has
                            + meant.range()
                                    .map(beside -> ": " + beside.slot() + " is counted from " + beside.first()
                                            + " and ends at " + beside.last())
                                    .orElse("");
                    case SPELLING -> has + "; did you mean " + meant.address() + "?";
                })
                .orElse(has);
    }

    /** The part with one line changed. */
    private interface Changed {
        Body with(String address);
    }

    private Body putSend(int index, Send changed) {
        return lined.with(index, changed);
    }

    private Body putListen(int index, Listen changed) {
        return lined.with(index, changed);
    }

    private static <T> List<T> replaced(List<T> all, int index, T changed) {
        List<T> others = new ArrayList<>(all);
        others.set(index, changed);
        return others;
    }

    private Finding.Remedy remedy(String words, Body mended) {
        return new Finding.Remedy(
                words,
                new EditRequest(
                        words,
                        List.of(new EditRequest.Put(
                                new Part(part.id(), part.parent(), part.order(), mended),
                                show.held(part.id()).orElseThrow().version()))));
    }

    private void add(FindingKind kind, String field, String text, String facts, Optional<PartId> target) {
        found.add(finding(kind, field, text, facts, target));
    }

    private Finding finding(FindingKind kind, String field, String text, String facts, Optional<PartId> target) {
        return Finding.of(kind, part.id(), field, text, facts).because(target.orElse(part.id()));
    }

    private String name(Optional<PartId> target) {
        return target.flatMap(show::part).map(found -> found.body().called()).orElse("");
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? String.valueOf((long) value)
                : String.valueOf(value);
    }
}
