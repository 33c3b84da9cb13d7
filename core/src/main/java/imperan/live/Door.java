package imperan.live;

import imperan.address.MessageLine;
import imperan.cue.ListRun;
import imperan.cue.Refusal;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrasebook;
import imperan.show.Problem;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;

/** The one door by which all that somebody wants done comes to the running show. Here it is looked at, once, and carried out. */
final class Door {

    private final LiveState state;
    private final Sending sending;
    private final Movement movement;
    private final Hands hands;
    private final Following following;
    private final Playing playing;

    Door(LiveState state, Sending sending, Movement movement, Hands hands, Following following, Playing playing) {
        this.state = state;
        this.sending = sending;
        this.movement = movement;
        this.hands = hands;
        this.following = following;
        this.playing = playing;
        playing.cues().pages(page -> following
                .show()
                .part(page)
                .filter(part -> part.body() instanceof Page)
                .isPresent());
        playing.cues().gate((link, gate) -> gate(link, gate, state.now()));
    }

    /** Does it, or says why it cannot be done. */
    Optional<Problem> carryOut(Command command, Actor actor, long now) {
        if (!actor.rights().contains(command.needs())) {
            return Optional.of(Problem.of(actor.name() + " may not do this"));
        }
        state.because(origin(command), actor, now);
        Optional<String> problem = command.problem();
        if (problem.isPresent()) {
            return problem.map(Problem::of);
        } else if (command instanceof Touch touch) {
            return hands.touch(touch, actor, now).map(Problem::of);
        } else if (command instanceof Command.TestFire fire) {
            return testFire(fire);
        } else if (command instanceof Command.Rest rest) {
            movement.rest(rest.controls(), actor);
            return Optional.empty();
        } else if (command instanceof Command.SetGate set) {
            return gate(set, now);
        } else if (command instanceof Command.SendStartList start) {
            return with(start.target(), link -> {
                sending.start(link);
                sending.flush();
                state.changed(link);
            });
        } else if (command instanceof Command.LeaveAsItIs leave) {
            return with(leave.target(), link -> {
                link.settleStart();
                state.changed(link);
            });
        } else if (command instanceof Command.Refresh refresh) {
            return with(refresh.target(), link -> {
                sending.askAll(link);
                sending.flush();
            });
        } else if (command instanceof Command.FindOut find) {
            return with(find.target(), link -> {
                sending.findOut(link);
                sending.flush();
            });
        } else if (command instanceof Command.Say say) {
            return say(say);
        } else if (command instanceof Command.SayBytes bytes) {
            return with(bytes.target(), link -> sending.say(link, bytes.bytes()));
        } else if (command instanceof Command.Prove prove) {
            return prove.line()
                    .target()
                    .map(target -> with(target, link -> {
                        sending.prove(link, prove.line(), prove.question());
                        sending.flush();
                    }))
                    .orElse(Optional.of(Problem.of("A line of a proof has a target")));
        }
        if (command instanceof Command.StepCues step) {
            return cues(step, actor);
        } else if (command instanceof Command.StepTrack step) {
            return played(step.track(), "track", playing.tracks().order(step, actor));
        } else if (command instanceof Command.StepSongs step) {
            return played(step.set(), "set list", playing.songs().order(step, actor));
        } else if (command instanceof Command.StopAll) {
            playing.stopAll(actor);
            return Optional.empty();
        }
        learn((Command.Learn) command, actor, now);
        return Optional.empty();
    }

    private Optional<Problem> cues(Command.StepCues step, Actor actor) {
        return playing.cues()
                .order(step, actor)
                .map(refused -> refused.map(
                        refusal -> new Problem(Optional.of(step.list()), "next", words(refusal), Optional.empty())))
                .orElse(Optional.of(Problem.of("This cue list is no longer in the live show")));
    }

    private static Optional<Problem> played(PartId part, String what, Optional<Optional<PlayRefusal>> ordered) {
        return ordered.map(refused ->
                        refused.map(refusal -> new Problem(Optional.of(part), "", words(refusal), Optional.empty())))
                .orElse(Optional.of(Problem.of("This " + what + " is no longer in the live show")));
    }

    private static String words(PlayRefusal refusal) {
        return switch (refusal) {
            case ANOTHER_CLOCK -> "The time of this track comes from elsewhere: it is played and placed there";
            case NO_SECTION -> "Only a section can be looped: give the mark a length first";
            case MARK_GONE -> "This mark is no longer on the track";
            case NOTHING_READY -> "No song is ready: make one ready first, then put it on air";
            case AT_END -> "There is no song after this one";
            case AT_START -> "There is no song before this one";
            case SONG_GONE -> "This song is no longer in the set list";
        };
    }

    private static String words(Refusal refusal) {
        return switch (refusal) {
            case MOVED_SINCE -> "Somebody stepped the list since: look at the next cue, and say go again";
            case TOO_SOON -> "The last go was just now: this one did nothing";
            case AT_END -> "The list is at its end";
            case AT_START -> "The list is at its start";
            case NO_SUCH_CUE -> "This cue is no longer in the list";
            case PAUSED -> "The list is paused: resume or stop it first";
            case NOTHING_RUNS -> "Nothing runs in this list";
            case TOO_MANY -> ListRun.MOST_RUNNING + " cues of this list run already: wait, or stop it first";
        };
    }

    private static Cause.Origin origin(Command command) {
        return command instanceof Touch
                ? Cause.Origin.HAND
                : command instanceof Command.TestFire
                        ? Cause.Origin.TEST
                        : command instanceof Command.Rest
                                ? Cause.Origin.REST
                                : command instanceof Command.Say || command instanceof Command.SayBytes
                                        ? Cause.Origin.SAY
                                        : command instanceof Command.Prove
                                                ? Cause.Origin.PROOF
                                                : command instanceof Command.SendStartList
                                                        ? Cause.Origin.START_LIST
                                                        : command instanceof Command.Refresh
                                                                        || command instanceof Command.FindOut
                                                                ? Cause.Origin.REFRESH
                                                                : Cause.Origin.ORDER;
    }

    private Optional<Problem> testFire(Command.TestFire fire) {
        LiveControl control = state.controls.get(fire.control());
        if (control == null) {
            return Optional.of(Problem.of("This control is no longer in the live show"));
        } else if (fire.send() < 0 || fire.send() >= control.sends.size()) {
            return Optional.of(Problem.of("“" + control.control.called() + "” has no such send"));
        }
        sending.send(control, control.sends.get(fire.send()), true);
        sending.flush();
        return Optional.empty();
    }

    private Optional<Problem> gate(Command.SetGate set, long now) {
        if (set.target().isPresent()) {
            return with(set.target().get(), link -> gate(link, set.gate(), now));
        }
        state.links.values().forEach(link -> gate(link, set.gate(), now));
        return Optional.empty();
    }

    private void gate(Link link, Gate gate, long now) {
        if (gate != Gate.OPEN) {
            letGo(control -> control.speaksTo(Set.of(link.id())), List.of(link), now);
        }
        link.gate(gate, now);
        state.changed(link);
    }

    /**
     * Hands let go, with what their release sends.
     *
     * @param closing the links that may not get another chance: what waits on them to be pressed or released leaves at once, whatever their pace
     */
    void letGo(Predicate<LiveControl> which, Collection<Link> closing, long now) {
        hands.letGo(which, now);
        closing.forEach(link -> sending.hurry(link));
        sending.flush();
    }

    private Optional<Problem> say(Command.Say say) {
        MessageLine read = MessageLine.parse(say.line(), Phrasebook.spokenWith(following.show(), say.target())::fault);
        return read.problem()
                .map(p -> new Problem(Optional.of(say.target()), "line", p.message(), p.mend()))
                .or(() -> with(say.target(), link -> {
                    sending.say(link, read.message().orElseThrow());
                    sending.flush();
                }));
    }

    private void learn(Command.Learn learn, Actor actor, long now) {
        state.learners.listen(actor.id(), learn.on(), now);
        state.due.noLaterThan(Due.OfAll.LEARNERS, state.learners.nextDue());
    }

    /** Does something with a target, where it is there. */
    private Optional<Problem> with(PartId target, Consumer<Link> doing) {
        Link link = state.links.get(target);
        if (link == null) {
            return Optional.of(Problem.of("This target is no longer in the rig"));
        }
        doing.accept(link);
        return Optional.empty();
    }
}
