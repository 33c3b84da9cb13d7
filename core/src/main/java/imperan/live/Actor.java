package imperan.live;

import imperan.show.Person;
import java.util.EnumSet;
import java.util.Set;

/**
 * Who wants something done with the running show. Who it is and what it may comes from where its command came in, never from what it says of itself.
 *
 * @param id     of a person's device, or of what else it is
 * @param name   for people
 * @param rights what it may
 */
public record Actor(Kind kind, String id, String name, Set<Right> rights) {

    /** What an actor can be. */
    public enum Kind {
        PERSON,
        CUE,
        RULE,
        REMOTE,
        PROOF,
        /** Imperan itself. */
        IMPERAN
    }

    /** Imperan itself: what keeps links alive, what is asked, what an edit leads to. */
    public static final Actor IMPERAN = new Actor(Kind.IMPERAN, "", "Imperan", Set.of());

    public Actor {
        rights = Set.copyOf(rights);
    }

    /** The one that says lines for a proof which this person started. */
    public static Actor proof(String name) {
        return new Actor(Kind.PROOF, "", name, EnumSet.of(Right.PROVE, Right.OPERATE));
    }

    /** A person at a device, who may do all that there is. */
    public static Actor of(Person person) {
        return new Actor(Kind.PERSON, person.id(), person.name(), EnumSet.allOf(Right.class));
    }
}
