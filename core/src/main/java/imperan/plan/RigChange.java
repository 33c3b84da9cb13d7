package imperan.plan;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.show.LinkStep;
import imperan.show.PartId;
import java.util.Optional;

/**
 * Something a person wants done with the rig that takes more than putting a part: what is free, what a link sheet says or what is
 * known of the network has a part in it. {@link RigPlanner} carries it out from the show as it is when its turn comes.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "what")
@JsonSubTypes({
    @JsonSubTypes.Type(value = RigChange.AddTarget.class, name = "addTarget"),
    @JsonSubTypes.Type(value = RigChange.TakeAs.class, name = "takeAs"),
    @JsonSubTypes.Type(value = RigChange.AddHost.class, name = "addHost"),
    @JsonSubTypes.Type(value = RigChange.MoveHost.class, name = "moveHost"),
    @JsonSubTypes.Type(value = RigChange.ChoosePhrasebook.class, name = "choosePhrasebook"),
    @JsonSubTypes.Type(value = RigChange.TickStep.class, name = "tick"),
    @JsonSubTypes.Type(value = RigChange.UntickStep.class, name = "untick")
})
public sealed interface RigChange {

    /** Where something is. */
    record Place(String host, int port) {}

    /**
     * One more target.
     *
     * @param id         of the new part
     * @param name       as it calls itself; empty for a name to be changed
     * @param place      where it was found; empty for this machine
     * @param answerPort on which it was heard; empty for the next free one
     */
    record AddTarget(PartId id, Optional<String> name, Optional<Place> place, Optional<Integer> answerPort)
            implements RigChange {}

    /** A target is where something was heard: the end that is spoken to now. */
    record TakeAs(PartId target, Place place, int answerPort) implements RigChange {}

    /** One more host, with the next free address. */
    record AddHost(PartId id) implements RigChange {}

    /** A host gets another address, as typed; the targets on it move along. */
    record MoveHost(PartId host, String address) implements RigChange {}

    /** A target speaks a phrasebook from now on, and is reached as its link sheet says; or none. */
    record ChoosePhrasebook(PartId target, Optional<PartId> phrasebook) implements RigChange {}

    /** @param fact what was true, such as a version; empty where the step needs none or Imperan knows it */
    record TickStep(PartId target, LinkStep step, String fact) implements RigChange {}

    record UntickStep(PartId target, LinkStep step) implements RigChange {}
}
