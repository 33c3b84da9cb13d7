package imperan.words;

import imperan.proof.Suspect;
import java.util.EnumMap;
import java.util.Map;

/**
 * What a suspect says to people. {@code %s} in it is the name of the target.
 *
 * @param says what would be so, one sentence
 * @param mend what to do about it, one sentence
 * @param look where at the far end, or at ours, it can be seen whether it is so; one sentence
 */
public record SuspectWords(String says, String mend, String look) {

    private static final Map<Suspect, SuspectWords> ALL = new EnumMap<>(Suspect.class);

    static {
        say(
                Suspect.GUARDED,
                "The control is guarded, and the touch was not confirmed",
                "Confirm it: touch again, or hold",
                "The guard is set under Behaviour in Layout");
        say(Suspect.ANOTHER_HAND, "Another person holds it", "Wait until they let go", "Their name is on the control");
        say(
                Suspect.DISABLED,
                "The control is disabled by its target",
                "Bring %s into the state that enables it",
                "What enables it is set under Behaviour in Layout");
        say(
                Suspect.NO_MESSAGE,
                "No message can be made of the touch",
                "Complete the send in Layout",
                "The Message cell in Layout says what is missing");
        say(Suspect.HELD, "%s is held: nothing is sent by hand", "Release %s", "The bar at the top shows what is held");
        say(
                Suspect.SILENCED,
                "%s is silent: nothing is sent at all",
                "Release %s",
                "The bar at the top shows what is silent");
        say(
                Suspect.REHEARSING,
                "Rehearsal: nothing leaves",
                "End the rehearsal of %s",
                "The bar at the top shows the rehearsal");
        say(
                Suspect.SAME_VALUE,
                "The same value is not sent again",
                "Move it to another value, or press Send once",
                "The Wire shows the last message that left");
        say(
                Suspect.OVERTAKEN,
                "It waits for the pace of %s, and a later value may overtake it",
                "Wait a moment, or raise the messages per second in Rig",
                "Messages per second is set with the target in Rig");
        say(
                Suspect.QUEUE_FULL,
                "Too many presses wait for %s: some were dropped",
                "Raise the messages per second in Rig, or press less at once",
                "Rig counts what was dropped");
        say(
                Suspect.OUR_PORT_TAKEN,
                "Another program on this machine has our answer port",
                "Close that program, or choose another answer port in Rig and set it at %s, too",
                "Rig names the port");
        say(
                Suspect.NO_WAY_OUT,
                "This machine has no way to %s now",
                "Check this machine’s network: cable, adapter and address",
                "Rig lists the network adapters of this machine");
        say(
                Suspect.NOT_TAKEN,
                "This machine’s network did not accept the packet",
                "Check this machine’s network: cable, adapter, address and firewall",
                "Rig lists the network adapters of this machine");

        say(
                Suspect.OUTSIDE_OUR_NETWORKS,
                "%s is in none of our networks",
                "Correct its address in Rig, or give this machine an address in that network",
                "Rig lists the networks of this machine");
        say(
                Suspect.WRONG_ADAPTER,
                "%s is to be reached from an adapter that is gone",
                "Choose another adapter in Rig, or let the system choose",
                "Rig lists the network adapters of this machine");
        say(
                Suspect.HOST_SILENT,
                "The machine of %s is off, or not on this network",
                "Switch it on, and check its cable and its address",
                "Is there a light at its network socket, and does its screen show this address?");
        say(
                Suspect.PORT_CLOSED,
                "No program is listening on the port of %s",
                "Start its program, or correct the port in Rig",
                "Does the program of %s run, with its OSC input on, and on which port?");
        say(
                Suspect.SAME_ADDRESS,
                "Two machines have the same address",
                "Give one of them another address",
                "Switch one off: does the other answer now?");
        say(
                Suspect.STAND_IN_INSTEAD,
                "You speak to the stand-in, not to %s itself",
                "Switch %s to the venue in Rig",
                "Rig shows which end each target speaks to");
        say(
                Suspect.VENUE_INSTEAD,
                "You speak to the venue, not to the stand-in",
                "Use the stand-in of %s in Rig while you are not at the venue",
                "Rig shows which end each target speaks to");
        say(
                Suspect.FRAMING,
                "The two ends frame the stream in different ways",
                "Choose the other framing over TCP in Rig",
                "Does %s want a size before each packet (OSC 1.0), or SLIP (OSC 1.1)?");

        say(
                Suspect.DEAF,
                "The program of %s does not take what we send",
                "Switch on its OSC input, and set it to the port that Rig has",
                "Does %s show that anything arrives?");
        say(
                Suspect.SWITCH_OFF,
                "A receive switch of %s is off",
                "Switch it on at %s",
                "Is its OSC receive, or remote control, switched on?");
        say(
                Suspect.TOO_MANY_PARTNERS,
                "%s speaks with somebody else, and takes no more partners",
                "Disconnect another program from %s, or raise its number of partners",
                "Which programs does %s list as connected?");
        say(
                Suspect.ADDRESS_UNKNOWN,
                "%s does not know this address",
                "Compare the address letter by letter with the phrasebook or the manual of %s",
                "Does %s show an unknown address when you send?");
        say(
                Suspect.WRONG_ARGUMENTS,
                "%s takes other arguments",
                "Send the arguments that its phrasebook has",
                "Does %s show a type or range error when you send?");
        say(
                Suspect.BUNDLES,
                "%s does not understand bundles",
                "Switch off bundles for %s in Rig",
                "Press a single control twice: a message that leaves alone is in no bundle");
        say(
                Suspect.OVER_PACE,
                "%s gets more messages per second than it can take",
                "Set messages per second for %s in Rig",
                "Move one control slowly: is each move answered?");

        say(
                Suspect.MASKED,
                "At %s something else stands in the way",
                "Release it at %s",
                "Look for a mute, or for another channel that plays alone");
        say(
                Suspect.ALREADY_THERE,
                "%s stood there already, and reports only changes",
                "Send another value to see whether it answers",
                "Does %s show the value that was sent?");

        say(
                Suspect.ONE_WAY,
                "%s does not answer this",
                "Look at %s itself; if it does answer, say so in its phrasebook",
                "Does %s do what was sent?");
        say(
                Suspect.ALL_BUT_THE_MOVER,
                "%s tells everybody but the one who made the change",
                "Look at %s itself, or let the phrase ask for the value",
                "Does another program see the change?");
        say(
                Suspect.NOT_LISTENED,
                "This control does not listen where the answer comes",
                "Add a listen for it in Layout",
                "The Wire shows on which address answers come");
        say(
                Suspect.OTHER_ADDRESS,
                "The answer comes under another address",
                "Listen on that address, and correct the phrase",
                "The Wire shows on which address answers come");
        say(
                Suspect.OTHER_TYPE,
                "The answer is of another type",
                "Correct the type in the phrase, or set it at %s",
                "The Wire shows the types of what came");
        say(
                Suspect.OTHER_VALUE,
                "%s answers with another value",
                "Compare the ranges at both ends; if %s rounds or limits, give the phrase a tolerance",
                "Which value does %s show?");
        say(
                Suspect.LATE,
                "The answer comes later than its limit",
                "Raise the time for an answer in the phrase, or find what delays %s",
                "The Wire shows how long answers take");
        say(
                Suspect.OTHER_PORT,
                "%s answers to another port of this machine",
                "Set the answer port at %s to the one that Rig has",
                "To which address and port does %s send its replies?");
        say(
                Suspect.OTHER_SOURCE,
                "The answer comes from another machine or port than the target in Rig",
                "Correct the address and port of %s in Rig",
                "Rig lists the unknown senders");
        say(
                Suspect.TAKEN_FOR_ANOTHER,
                "The answer is taken for one of another target",
                "Give the two targets different answer ports in Rig",
                "Rig shows the answer port of each target");
        say(
                Suspect.MALFORMED,
                "%s sends packets that cannot be read",
                "Check that %s sends OSC, with this protocol and framing",
                "The Wire shows the place of the fault");
        say(
                Suspect.FOR_LATER,
                "%s sends bundles that take effect later",
                "Set the clocks of both machines, or let %s send at once",
                "Compare the clocks of both machines");
        say(
                Suspect.LAPSED,
                "%s has forgotten that we want to be told",
                "Shorten the time between keep-alives in Rig",
                "How long does %s remember who subscribed?");
        say(
                Suspect.OUR_DROPS,
                "This machine lost packets",
                "Let the targets report less, or close other programs here",
                "The Wire counts what was lost");
        say(
                Suspect.LOSS,
                "Some messages or answers get lost on the way",
                "Prefer a cable to Wi-Fi, and look for a busy or broken link",
                "Do other programs on this network lose packets, too?");
        say(
                Suspect.PHRASE_WRONG,
                "The phrasebook is wrong about this answer",
                "Move it at %s and see in the Wire on which address it is told; correct the phrase",
                "Does %s do what was sent?");
    }

    private static void say(Suspect suspect, String says, String mend, String look) {
        ALL.put(suspect, new SuspectWords(says, mend, look));
    }

    /** The words for a suspect at a target. */
    public static SuspectWords of(Suspect suspect, String target) {
        SuspectWords words = ALL.get(suspect);
        return new SuspectWords(
                words.says.replace("%s", target), words.mend.replace("%s", target), words.look.replace("%s", target));
    }
}
