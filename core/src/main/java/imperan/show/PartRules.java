package imperan.show;

import imperan.address.AddressText;
import imperan.address.MessageLine;
import imperan.address.SlotAddress;
import imperan.rig.HostAddress;
import imperan.rig.Ipv4;
import imperan.rig.Ports;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What must hold of every part in every version of a show. An edit is judged by the parts it touches. */
final class PartRules {

    private static final int MAX_LABEL = 80;
    private static final int MAX_NOTE = 2000;
    private static final int MAX_TITLE = 200;
    /** Parts that one edit may change. */
    static final int MOST_CHANGES = 20_000;
    /** Of a text argument. */
    static final int MOST_ARGUMENT = 8 << 10;
    private static final int MAX_OPTIONS = 64;
    /** A day. */
    private static final double MOST_SECONDS = 86_400;

    private final Show show;
    private final List<Problem> problems = new ArrayList<>();

    private PartRules(Show show) {
        this.show = show;
    }

    /** What is wrong with the show that an edit leads to; empty where nothing is. */
    static List<Problem> problems(Show show, Edit edit) {
        PartRules rules = new PartRules(show);
        if (edit.title().length() > MAX_TITLE) {
            return List.of(Problem.of("The title of an edit has at most " + MAX_TITLE + " characters"));
        } else if (edit.changes().size() > MOST_CHANGES) {
            return List.of(Problem.of("This would change " + edit.changes().size() + " parts at once; at most " + MOST_CHANGES + " are taken. Do it in several steps"));
        }
        Set<PartId> touched = new LinkedHashSet<>();
        for (Edit.Change change : edit.changes()) {
            touched.add(change.id());
            // a page that shrinks or goes is judged by what lies on it
            show.children(change.id()).map(Part::id).forEach(touched::add);
        }
        touched.forEach(id -> show.part(id).ifPresent(rules::check));
        return rules.problems;
    }

    private void check(Part part) {
        Body body = part.body();
        Optional<PartText.Fault> fault = PartText.fault(body);
        if (fault.isPresent()) {
            problem(part, fault.get().field(), fault.get().message());
            return;
        }
        if (body instanceof Target target) {
            needsParent(part, Optional.empty());
            checkTarget(part, target);
        } else if (body instanceof Host host) {
            needsParent(part, Optional.empty());
            checkHost(part, host);
        } else if (body instanceof Acceptance acceptance) {
            needsParent(part, Optional.empty());
            if (show.part(acceptance.about()).isEmpty()) {
                problem(part, "about", "What this finding was about is no longer there");
            }
            note(part, "note", acceptance.note());
        } else if (body instanceof Phrasebook book) {
            needsParent(part, Optional.empty());
            name(part, book.name());
            checkSheet(part, book.sheet());
        } else if (body instanceof Phrase phrase) {
            needsParent(part, Optional.of(Phrasebook.class));
            checkPhrase(part, phrase);
        } else if (body instanceof Layout layout) {
            needsParent(part, Optional.empty());
            name(part, layout.name());
        } else if (body instanceof Page page) {
            needsParent(part, Optional.of(Layout.class));
            name(part, page.name());
            range(part, "columns", page.columns());
            range(part, "rows", page.rows());
            checkScreen(part, page.screen());
            page.follows().ifPresent(when -> condition(part, "follows", when));
        } else if (body instanceof Tray tray) {
            needsParent(part, Optional.of(Page.class));
            name(part, tray.name());
            checkPlace(part, tray);
            if (tray.columns() < tray.cells().width() || tray.columns() > Tray.MAX_COLUMNS) {
                problem(part, "columns", "A tray is inside at least as wide as outside, and has at most " + Tray.MAX_COLUMNS + " columns");
            }
            if (tray.step() < 1 || tray.step() > tray.columns()) {
                problem(part, "step", "The window of a bank moves by 1 to " + tray.columns() + " columns");
            }
        } else if (body instanceof Control control) {
            checkControl(part, control);
        } else if (body instanceof Twin twin) {
            needsGrid(part);
            checkPlace(part, twin);
        } else if (body instanceof Lock) {
            needsParent(part, Optional.empty());
            if (!part.id().equals(Lock.ID)) {
                problem(part, "", "A show has one lock at most");
            }
        }
    }

    private void needsParent(Part part, Optional<Class<? extends Body>> kind) {
        boolean fits = kind.isEmpty() ? part.parent().isEmpty()
                : part.parent().flatMap(show::part).filter(p -> kind.get().isInstance(p.body())).isPresent();
        if (!fits) {
            problem(part, "", "What it lay in is gone: “" + part.body().called() + "” cannot be kept without it");
        }
    }

    private void needsGrid(Part part) {
        if (part.parent().flatMap(show::part).flatMap(parent -> Grid.of(parent.body())).isEmpty()) {
            problem(part, "", "What it lay in is gone: “" + part.body().called() + "” cannot be kept without it");
        }
    }

    private void checkScreen(Part part, Page.Screen screen) {
        if (screen.width() < 1 || screen.width() > Page.MAX_PIXELS || screen.height() < 1 || screen.height() > Page.MAX_PIXELS) {
            problem(part, "screen", "A side of a screen has 1 to " + Page.MAX_PIXELS + " pixels");
        }
    }

    private void condition(Part part, String field, Behaviour.Condition when) {
        address(part, field + "/address", when.address(), when.target());
        if (when.argument() < 0) {
            problem(part, field + "/argument", "Arguments are counted from 0");
        }
    }

    private void checkTarget(Part part, Target target) {
        name(part, target.name());
        host(part, "host", target.host());
        port(part, "port", target.port());
        port(part, "answerPort", target.answerPort());
        target.adapterAddress().ifPresent(address -> host(part, "adapterAddress", address));
        target.standIn().ifPresent(end -> {
            host(part, "standIn/host", end.host());
            port(part, "standIn/port", end.port());
        });
        lines(part, "startList", target.startList(), Phrasebook.bareAddresses(show, part.id()));
        checkTicks(part, target.ticks());
        target.messagesPerSecond().filter(pace -> pace < 1 || pace > Target.MAX_MESSAGES_PER_SECOND)
                .ifPresent(pace -> problem(part, "messagesPerSecond", "The pace is 1 to "
                        + Target.MAX_MESSAGES_PER_SECOND + " messages a second, or none"));
        target.keepAlive().ifPresent(keep -> keepAlive(part, "keepAlive", keep));
    }

    private void lines(Part part, String field, List<String> lines, boolean bare) {
        for (int i = 0; i < lines.size(); i++) {
            String place = field + "/" + i;
            (bare ? MessageLine.parseFreely(lines.get(i)) : MessageLine.parse(lines.get(i))).problem()
                    .ifPresent(p -> problem(part, place, p.message(), p.mend()));
        }
    }

    private void checkTicks(Part part, List<Tick> ticks) {
        for (Tick tick : ticks) {
            note(part, "ticks", tick.fact());
            note(part, "ticks", tick.by());
            try {
                Instant.parse(tick.at());
            } catch (DateTimeParseException e) {
                problem(part, "ticks", "“" + tick.at() + "” is not a time such as 2026-11-23T20:00:00Z");
            }
        }
        if (ticks.stream().map(Tick::step).distinct().count() < ticks.size()) {
            problem(part, "ticks", "A step is ticked once at most");
        }
    }

    private void keepAlive(Part part, String field, KeepAlive keep) {
        address(part, field + "/address", keep.address());
        keep.answer().ifPresent(answer -> address(part, field + "/answer", answer));
        if (!(keep.everySeconds() >= 0.1 && keep.everySeconds() < keep.windowSeconds() && keep.windowSeconds() <= MOST_SECONDS)) {
            problem(part, field + "/everySeconds",
                    "The period is at least 0.1 s and shorter than the window after which the link is lost, at most a day");
        }
    }

    private void checkSheet(Part part, Phrasebook.LinkSheet sheet) {
        sheet.port().ifPresent(port -> port(part, "sheet/port", port));
        sheet.keepAlive().ifPresent(keep -> keepAlive(part, "sheet/keepAlive", keep));
        if (sheet.partners().filter(partners -> partners < 1).isPresent()) {
            problem(part, "sheet/partners", "A target has at least one partner, or does not say how many");
        }
        note(part, "sheet/versions", sheet.versions());
        lines(part, "sheet/startList", sheet.startList(), sheet.bareAddresses());
        sheet.steps().forEach(step -> note(part, "sheet/steps", step));
    }

    private void checkPhrase(Part part, Phrase phrase) {
        boolean bare = part.parent().flatMap(show::part).map(Part::body).filter(Phrasebook.class::isInstance)
                .filter(book -> ((Phrasebook) book).sheet().bareAddresses()).isPresent();
        slotAddress(part, "address", phrase.address(), bare);
        for (int i = 0; i < phrase.arguments().size(); i++) {
            Phrase.PhraseArgument argument = phrase.arguments().get(i);
            if (argument.low().isPresent() != argument.high().isPresent()
                    || argument.low().isPresent() && !(argument.low().get() < argument.high().get())) {
                problem(part, "arguments/" + i + "/high", "A range has a lower and a higher number");
            } else if (argument.low().isPresent()) {
                String field = "arguments/" + i + "/high";
                Ranges.problem(argument.type(), argument.low().get(), argument.high().get()).ifPresent(p -> problem(part, field, p));
            }
        }
        if (phrase.answer().kind() == Phrase.AnswerRule.Kind.OTHER) {
            slotAddress(part, "answer/address", phrase.answer().address(), bare);
        }
        for (int i = 0; i < phrase.arguments().size(); i++) {
            marks(part, "arguments/" + i + "/marks", phrase.arguments().get(i).marks());
        }
        if (phrase.answer().words().filter(words -> words < 0).isPresent()) {
            problem(part, "answer/words", "Arguments are counted from 0");
        }
        if (!(phrase.answer().seconds() > 0 && phrase.answer().seconds() <= MOST_SECONDS) || !(phrase.answer().tolerance() >= 0 && Ranges.fits(phrase.answer().tolerance()))) {
            problem(part, "answer/seconds", "The time for an answer is more than nothing and at most a day, and the tolerance is not negative");
        }
        note(part, "meaning", phrase.meaning());
        note(part, "maskedBy", phrase.maskedBy());
    }

    private void checkHost(Part part, Host host) {
        name(part, host.name());
        host(part, "address", host.address());
        if (host.prefix() < 1 || host.prefix() > 32) {
            problem(part, "prefix", "A prefix length is 1 to 32; 24 is the mask 255.255.255.0");
        }
        host.gives().ifPresent(given -> {
            host(part, "gives/first", given.first());
            host(part, "gives/last", given.last());
            Optional<Ipv4> first = Ipv4.parse(given.first());
            Optional<Ipv4> last = Ipv4.parse(given.last());
            if (first.isPresent() && last.isPresent() && first.get().compareTo(last.get()) > 0) {
                problem(part, "gives/last", "The last address comes before the first", Optional.of(given.first()));
            }
        });
        note(part, "socket", host.socket());
        note(part, "power", host.power());
        note(part, "note", host.note());
    }

    private void host(Part part, String field, String text) {
        HostAddress.parse(text).problem().ifPresent(p -> problem(part, field, p.message(), p.mend()));
    }

    private void port(Part part, String field, int port) {
        Ports.problem(port).ifPresent(p -> problem(part, field, p));
    }

    private void note(Part part, String field, String text) {
        if (text.length() > MAX_NOTE) {
            problem(part, field, "A note has at most " + MAX_NOTE + " characters");
        }
    }

    private void checkControl(Part part, Control control) {
        if (control.label().length() > MAX_LABEL) {
            problem(part, "label", "A label has at most " + MAX_LABEL + " characters");
        }
        if (!(control.form().rest() >= 0 && control.form().rest() <= 1)) {
            problem(part, "form/rest", "The rest value lies between 0 and 1");
        }
        if (control.form().holdsAt().filter(at -> !(at >= 0 && at <= 1)).isPresent()) {
            problem(part, "form/holdsAt", "Where it holds lies between 0 and 1");
        }
        needsGrid(part);
        checkPlace(part, control);
        checkForm(part, control.form());
        checkBehaviour(part, control.behaviour());
        if (control.face().icon().length() > MAX_LABEL) {
            problem(part, "face/icon", "There is no icon of that name");
        }
        control.face().picture().filter(hash -> !hash.matches("[0-9a-f]{64}")).ifPresent(hash ->
                problem(part, "face/picture", "A picture is named by the SHA-256 of what it holds; choose one from the list or upload one"));
        for (int i = 0; i < control.sends().size(); i++) {
            Send send = control.sends().get(i);
            address(part, "sends/" + i + "/address", send.address(), send.target());
            for (int a = 0; a < send.arguments().size(); a++) {
                argument(part, "sends/" + i + "/arguments/" + a, send.arguments().get(a), control.form());
            }
            long bytes = MessageSize.most(send, control.form());
            if (bytes > MessageSize.MOST) {
                problem(part, "sends/" + i, "This message may have " + bytes + " bytes; a datagram holds at most " + MessageSize.MOST);
            }
        }
        for (int i = 0; i < control.listens().size(); i++) {
            Listen listen = control.listens().get(i);
            address(part, "listens/" + i + "/address", listen.address(), listen.target());
            if (listen.argument() < 0) {
                problem(part, "listens/" + i + "/argument", "Arguments are counted from 0");
            }
            axis(part, "listens/" + i + "/axis", listen.axis(), control.form());
            if (!Ranges.fits(listen.low()) || !Ranges.fits(listen.high()) || listen.low() == listen.high()) {
                problem(part, "listens/" + i + "/high", "The range needs two different numbers between -1e15 and 1e15");
            }
        }
    }

    private void checkForm(Part part, Form form) {
        if (form instanceof Form.Choice choice) {
            checkChoice(part, choice);
        } else if (form instanceof Form.Colour colour) {
            colour.swatches().stream().filter(swatch -> !swatch.matches("#[0-9a-f]{6}")).findFirst().ifPresent(swatch ->
                    problem(part, "form/swatches", "A saved colour is written #rrggbb, such as #ffd696; “" + swatch + "” is none"));
            if (colour.swatches().size() > MAX_OPTIONS) {
                problem(part, "form/swatches", "At most " + MAX_OPTIONS + " colours are kept");
            }
        } else if (form instanceof Form.Tilt tilt && !(tilt.degrees() > 0 && tilt.degrees() <= 180 && tilt.smoothingSeconds() >= 0
                && tilt.smoothingSeconds() <= 60)) {
            problem(part, "form/degrees", "A tilt goes to more than 0 and at most 180 degrees, smoothed over 0 to 60 s");
        } else if (form instanceof Form.Wheel wheel && (wheel.steps() < 1 || wheel.steps() > 1000)) {
            problem(part, "form/steps", "A turn of a wheel has 1 to 1000 steps");
        } else if (form instanceof Form.Tap tap && !(tap.slowest() >= 1 && tap.fastest() <= 1000 && tap.slowest() < tap.fastest())) {
            problem(part, "form/fastest", "The tempo goes from at least 1 to at most 1000 beats a minute");
        } else if (form instanceof Form.Fader fader) {
            marks(part, "form/marks", fader.marks());
        } else if (form instanceof Form.Button button && button.group().length() > MAX_LABEL) {
            problem(part, "form/group", "The name of a group has at most " + MAX_LABEL + " characters");
        } else if (form instanceof Form.Lamp lamp && lamp.states().stream().map(Form.Lamp.State::text).distinct().count() < lamp.states().size()) {
            problem(part, "form/states", "Two states of the lamp have the same text");
        }
    }

    private void marks(Part part, String field, List<ScaleMark> marks) {
        if (marks.size() > MAX_OPTIONS) {
            problem(part, field, "A scale has at most " + MAX_OPTIONS + " marks");
        }
        marks.stream().filter(mark -> !Ranges.fits(mark.value()) || mark.text().isBlank() || mark.text().contains(";") || mark.text().length() > MAX_LABEL).findFirst()
                .ifPresent(mark -> problem(part, field, "A mark is a number and at most " + MAX_LABEL + " characters for it without a semicolon, such as 0.562 0 dB"));
    }

    private void checkBehaviour(Part part, Behaviour behaviour) {
        if (!(behaviour.repeatSeconds() >= Behaviour.LEAST_REPEAT && behaviour.repeatSeconds() <= Behaviour.MOST_REPEAT)) {
            problem(part, "behaviour/repeatSeconds", "What is held is repeated every " + Behaviour.LEAST_REPEAT + " to " + Behaviour.MOST_REPEAT + " s");
        }
        if (!(behaviour.whenLost().value() >= 0 && behaviour.whenLost().value() <= 1)) {
            problem(part, "behaviour/whenLost/value", "The value lies between 0 and 1");
        }
        if (behaviour.key().length() > MAX_LABEL) {
            problem(part, "behaviour/key", "There is no key of that name");
        }
        behaviour.enabledWhen().ifPresent(when -> condition(part, "behaviour/enabledWhen", when));
    }

    private void axis(Part part, String field, int axis, Form form) {
        if (axis < 0 || axis >= form.axes()) {
            problem(part, field, "A " + form.called() + " has " + (form.axes() == 1 ? "one axis" : form.axes() + " axes"));
        }
    }

    private void checkChoice(Part part, Form.Choice choice) {
        if (choice.options().size() < 2 || choice.options().size() > MAX_OPTIONS) {
            problem(part, "form/options", "A choice has 2 to " + MAX_OPTIONS + " options");
        }
        if (choice.options().stream().map(Form.Choice.Option::text).distinct().count() < choice.options().size()) {
            problem(part, "form/options", "Two options say the same");
        }
        choice.options().stream().filter(option -> option.label().length() > MAX_LABEL || option.text().length() > MAX_LABEL).findFirst()
                .ifPresent(option -> problem(part, "form/options", "An option has at most " + MAX_LABEL + " characters"));
    }

    private void checkPlace(Part part, Laid laid) {
        Optional<Grid> grid = part.parent().flatMap(show::part).flatMap(parent -> Grid.of(parent.body()));
        if (grid.isPresent() && !grid.get().holds(laid.cells())) {
            problem(part, "cells", "“" + laid.called() + "” does not fit on the " + grid.get().columns() + " × " + grid.get().rows() + " cells there are");
        }
        if (isAbove(laid)) {
            return;
        }
        part.parent().stream().flatMap(show::children)
                .filter(other -> !other.id().equals(part.id()) && other.body() instanceof Laid there && !isAbove(there)
                        && there.cells().overlaps(laid.cells()))
                .findFirst()
                .ifPresent(other -> problem(part, "cells",
                        "“" + laid.called() + "” would lie on “" + other.body().called() + "”"));
    }

    /** What pops up lies above the others. */
    private static boolean isAbove(Laid laid) {
        return laid instanceof Tray tray && tray.popUp();
    }

    private void argument(Part part, String field, ArgumentSource source, Form form) {
        if (source instanceof ArgumentSource.Value value) {
            Ranges.problem(value.type(), value.low(), value.high()).ifPresent(p -> problem(part, field, p));
            axis(part, field, value.axis(), form);
            if (value.type() == ArgumentSource.ArgumentType.COLOUR && !(form instanceof Form.Colour)) {
                problem(part, field, "Only a colour control has a colour to send");
            }
        } else if (source instanceof ArgumentSource.Steps steps && (!(form instanceof Form.Wheel) || !Ranges.fits(steps.each())
                || steps.type() == ArgumentSource.ArgumentType.COLOUR)) {
            problem(part, field, "Only an endless wheel has steps to send, each a number");
        } else if (source instanceof ArgumentSource.Typed && !(form instanceof Form.TextLine)) {
            problem(part, field, "Only a text line has a text to send");
        } else if (source instanceof ArgumentSource.Fixed fixed) {
            if (fixed.text().length() > MOST_ARGUMENT) {
                problem(part, field, "A text has at most " + MOST_ARGUMENT + " characters");
            }
            FixedArgument.parse(fixed).problem().ifPresent(p -> problem(part, field, p));
        } else if (source instanceof ArgumentSource.Chosen chosen) {
            if (!(form instanceof Form.Choice choice)) {
                problem(part, field, "Only a choice has an option to send");
            } else {
                choice.options().forEach(option -> FixedArgument.parse(new ArgumentSource.Fixed(chosen.type(), option.text())).problem()
                        .ifPresent(p -> problem(part, field, "Option “" + option.label() + "”: " + p)));
            }
        }
    }

    /** A slash may be missing only where the target's phrasebook has phrases without one. */
    private void address(Part part, String field, String address, Optional<PartId> target) {
        if (tooLong(part, field, address)) {
            return;
        }
        boolean bare = target.filter(id -> Phrasebook.bareAddresses(show, id)).isPresent();
        (bare ? AddressText.parseFreely(address) : AddressText.parse(address)).problem()
                .ifPresent(p -> problem(part, field, p.message(), p.mend()));
    }

    private boolean tooLong(Part part, String field, String address) {
        if (address.length() > SlotAddress.MOST_CHARACTERS) {
            problem(part, field, "An address has at most " + SlotAddress.MOST_CHARACTERS + " characters");
        }
        return address.length() > SlotAddress.MOST_CHARACTERS;
    }

    private void slotAddress(Part part, String field, String address, boolean bare) {
        if (tooLong(part, field, address)) {
            return;
        }
        (bare ? SlotAddress.parseFreely(address) : SlotAddress.parse(address)).problem().ifPresent(p -> problem(part, field, p));
    }

    private void address(Part part, String field, String address) {
        if (tooLong(part, field, address)) {
            return;
        }
        AddressText.parse(address).problem().ifPresent(p -> problem(part, field, p.message(), p.mend()));
    }

    private void name(Part part, String name) {
        if (name.isBlank()) {
            problem(part, "name", "A name is needed: it is how you tell this one from the others");
        } else if (name.length() > Person.MOST_NAME) {
            problem(part, "name", "A name has at most " + Person.MOST_NAME + " characters");
        } else if (name.chars().anyMatch(Character::isISOControl)) {
            problem(part, "name", "A name is one line of text");
        }
    }

    private void range(Part part, String field, int cells) {
        if (cells < 1 || cells > Page.MAX_CELLS) {
            problem(part, field, "A page has 1 to " + Page.MAX_CELLS + " " + field);
        }
    }

    private void problem(Part part, String field, String message) {
        problem(part, field, message, Optional.empty());
    }

    private void problem(Part part, String field, String message, Optional<String> mend) {
        problems.add(new Problem(Optional.of(part.id()), field, message, mend));
    }
}
