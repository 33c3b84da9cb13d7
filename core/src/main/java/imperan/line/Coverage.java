package imperan.line;

import imperan.address.SlotAddress;
import imperan.check.Lined;
import imperan.phrasebook.Vocabulary;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.cue.Acting;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What a target can do, by its phrasebook, against what the controls and cues of a show say to it and hear from it. Copies in work are left out.
 *
 * @param phrases in the order of the phrasebook
 * @param pages   that have a control, in their order
 * @param idle    controls with lines to the target of which it understands none
 */
public record Coverage(List<Reached> phrases, List<OnPage> pages, List<Idle> idle) {

    /**
     * A phrase, and who reaches it.
     *
     * @param addresses for which it stands; more than {@value SlotAddress#MAX_COUNT} are counted as so many
     * @param said      of them by some control or cue
     * @param heard     of them by some control
     * @param reached   whether any is
     * @param pages     on which those controls lie, and the lists in which those cues do
     */
    public record Reached(
            String address,
            Phrase.Direction direction,
            String meaning,
            int addresses,
            int said,
            int heard,
            boolean reached,
            List<String> pages) {

        public Reached {
            pages = List.copyOf(pages);
        }
    }

    /**
     * A page.
     *
     * @param reaching controls on it that have a line to the target which it understands
     * @param controls all that lie on it
     */
    public record OnPage(PartId page, String name, int reaching, int controls) {}

    /** @param addresses of its lines to the target */
    public record Idle(PartId control, String label, String page, List<String> addresses) {}

    public Coverage {
        phrases = List.copyOf(phrases);
        pages = List.copyOf(pages);
        idle = List.copyOf(idle);
    }

    /** Of a target of a show; without a phrase where it has no phrasebook. */
    public static Coverage of(Show show, PartId target) {
        return new Gathering(show, target).gathered();
    }

    private static final class Tally {
        private final Set<String> said = new HashSet<>();
        private final Set<String> heard = new HashSet<>();
        private final Set<String> pages = new LinkedHashSet<>();
    }

    private static final class Gathering {

        private final Show show;
        private final Vocabulary known;
        private final Optional<PartId> target;
        private final Map<Phrase, Tally> tallies = new IdentityHashMap<>();
        private final List<OnPage> pages = new ArrayList<>();
        private final List<Idle> idle = new ArrayList<>();

        private Gathering(Show show, PartId target) {
            this.show = show;
            this.known = Vocabulary.of(show, target);
            this.target = Optional.of(target);
            known.phrases().forEach(phrase -> tallies.put(phrase, new Tally()));
        }

        private Coverage gathered() {
            show.all(Page.class).stream().filter(page -> !show.inDraft(page)).forEach(this::page);
            Lined.all(show).filter(part -> part.body() instanceof Acting).forEach(this::acting);
            List<Reached> phrases = known.phrases()
                    .map(phrase -> {
                        Tally tally = tallies.get(phrase);
                        return new Reached(
                                phrase.address(),
                                phrase.direction(),
                                phrase.meaning(),
                                SlotAddress.parseFreely(phrase.address()).count(),
                                tally.said.size(),
                                tally.heard.size(),
                                !tally.said.isEmpty() || !tally.heard.isEmpty(),
                                List.copyOf(tally.pages));
                    })
                    .toList();
            return new Coverage(phrases, pages, idle);
        }

        /** Where a cue or a song lies counts as its list does. */
        private void acting(Part part) {
            String list = part.parent()
                    .flatMap(show::part)
                    .map(parent -> parent.body().called())
                    .orElse("");
            Lined.of(part.body()).orElseThrow().sends().stream()
                    .filter(send -> send.target().equals(target))
                    .forEach(send -> said(send.address(), list));
        }

        private Optional<Tally> said(String address, String where) {
            Optional<Tally> tally =
                    known.said(address).map(Vocabulary.Known::phrase).map(tallies::get);
            tally.ifPresent(found -> found.said.add(address));
            tally.ifPresent(found -> found.pages.add(where));
            return tally;
        }

        private void page(Part page) {
            int controls = 0;
            int reaching = 0;
            for (Part part : show.children(page.id())
                    .flatMap(laid -> Stream.concat(Stream.of(laid), show.children(laid.id())))
                    .toList()) {
                if (part.body() instanceof Control control) {
                    controls++;
                    reaching += reaches(part, control, page.body().called()) ? 1 : 0;
                }
            }
            if (controls > 0) {
                pages.add(new OnPage(page.id(), page.body().called(), reaching, controls));
            }
        }

        private boolean reaches(Part part, Control control, String page) {
            List<String> addresses = new ArrayList<>();
            boolean understood = false;
            for (Send send : control.sends()) {
                if (send.target().equals(target)) {
                    addresses.add(send.address());
                    understood |= said(send.address(), page).isPresent();
                }
            }
            for (Listen listen : control.listens()) {
                if (listen.target().equals(target)) {
                    addresses.add(listen.address());
                    Optional<Tally> tally = known.heard(listen.address())
                            .map(Vocabulary.Known::phrase)
                            .map(tallies::get);
                    tally.ifPresent(found -> found.heard.add(listen.address()));
                    tally.ifPresent(found -> found.pages.add(page));
                    understood |= tally.isPresent() || known.answers(listen.address());
                }
            }
            if (!addresses.isEmpty() && !understood) {
                idle.add(new Idle(
                        part.id(),
                        control.called(),
                        page,
                        addresses.stream().distinct().toList()));
            }
            return understood;
        }
    }
}
