package imperan.show;

import imperan.address.AddressText;
import imperan.rig.HostAddress;
import imperan.rig.Ports;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What must hold of every part in every version of a show. An edit is judged by the parts it touches. */
final class PartRules {

    private static final int MAX_NAME = 80;

    private final Show show;
    private final List<Problem> problems = new ArrayList<>();

    private PartRules(Show show) {
        this.show = show;
    }

    /** What is wrong with the show that an edit leads to; empty where nothing is. */
    static List<Problem> problems(Show show, Edit edit) {
        PartRules rules = new PartRules(show);
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
        if (body instanceof Target target) {
            needsParent(part, Optional.empty());
            checkTarget(part, target);
        } else if (body instanceof Layout layout) {
            needsParent(part, Optional.empty());
            name(part, layout.name());
        } else if (body instanceof Page page) {
            needsParent(part, Optional.of(Layout.class));
            name(part, page.name());
            range(part, "columns", page.columns());
            range(part, "rows", page.rows());
        } else if (body instanceof Control control) {
            needsParent(part, Optional.of(Page.class));
            checkControl(part, control);
        }
    }

    private void needsParent(Part part, Optional<Class<? extends Body>> kind) {
        boolean fits = kind.isEmpty() ? part.parent().isEmpty()
                : part.parent().flatMap(show::part).filter(p -> kind.get().isInstance(p.body())).isPresent();
        if (!fits) {
            problem(part, "", "What it lay in is gone: “" + part.body().called() + "” cannot be kept without it");
        }
    }

    private void checkTarget(Part part, Target target) {
        name(part, target.name());
        HostAddress.parse(target.host()).problem().ifPresent(p -> problem(part, "host", p.message(), p.mend()));
        Ports.problem(target.port()).ifPresent(p -> problem(part, "port", p));
        Ports.problem(target.answerPort()).ifPresent(p -> problem(part, "answerPort", p));
        target.messagesPerSecond().filter(pace -> pace < 1 || pace > Target.MAX_MESSAGES_PER_SECOND)
                .ifPresent(pace -> problem(part, "messagesPerSecond", "The pace is 1 to "
                        + Target.MAX_MESSAGES_PER_SECOND + " messages a second, or none"));
        target.keepAlive().ifPresent(keep -> {
            address(part, "keepAlive/address", keep.address());
            if (!(keep.everySeconds() >= 0.1 && keep.everySeconds() < keep.windowSeconds())) {
                problem(part, "keepAlive/everySeconds",
                        "The period is at least 0.1 s and shorter than the window after which the link is lost");
            }
        });
    }

    private void checkControl(Part part, Control control) {
        if (control.label().length() > MAX_NAME) {
            problem(part, "label", "A label has at most " + MAX_NAME + " characters");
        }
        if (!(control.form().rest() >= 0 && control.form().rest() <= 1)) {
            problem(part, "form/rest", "The rest value lies between 0 and 1");
        }
        checkPlace(part, control);
        for (int i = 0; i < control.sends().size(); i++) {
            Send send = control.sends().get(i);
            address(part, "sends/" + i + "/address", send.address());
            for (int a = 0; a < send.arguments().size(); a++) {
                argument(part, "sends/" + i + "/arguments/" + a, send.arguments().get(a));
            }
        }
        for (int i = 0; i < control.listens().size(); i++) {
            Listen listen = control.listens().get(i);
            address(part, "listens/" + i + "/address", listen.address());
            if (listen.argument() < 0) {
                problem(part, "listens/" + i + "/argument", "Arguments are counted from 0");
            }
            if (!Double.isFinite(listen.low()) || !Double.isFinite(listen.high()) || listen.low() == listen.high()) {
                problem(part, "listens/" + i + "/high", "The range needs two different numbers");
            }
        }
    }

    private void checkPlace(Part part, Control control) {
        Optional<Page> page = part.parent().flatMap(show::part).map(Part::body)
                .filter(Page.class::isInstance).map(Page.class::cast);
        if (page.isPresent() && !control.cells().fits(page.get())) {
            problem(part, "cells", "“" + control.called() + "” does not fit on the page of "
                    + page.get().columns() + " × " + page.get().rows() + " cells");
        }
        part.parent().stream().flatMap(show::children)
                .filter(other -> !other.id().equals(part.id()) && other.body() instanceof Control c
                        && c.cells().overlaps(control.cells()))
                .findFirst()
                .ifPresent(other -> problem(part, "cells",
                        "“" + control.called() + "” would lie on “" + other.body().called() + "”"));
    }

    private void argument(Part part, String field, ArgumentSource source) {
        if (source instanceof ArgumentSource.Value value
                && (!Double.isFinite(value.low()) || !Double.isFinite(value.high()))) {
            problem(part, field, "The range needs two numbers");
        } else if (source instanceof ArgumentSource.Fixed fixed) {
            FixedArgument.parse(fixed).problem().ifPresent(p -> problem(part, field, p));
        }
    }

    private void address(Part part, String field, String address) {
        AddressText.parse(address).problem().ifPresent(p -> problem(part, field, p.message(), p.mend()));
    }

    private void name(Part part, String name) {
        if (name.isBlank()) {
            problem(part, "name", "A name is needed: it is how you tell this one from the others");
        } else if (name.length() > MAX_NAME) {
            problem(part, "name", "A name has at most " + MAX_NAME + " characters");
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
