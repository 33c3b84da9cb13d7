package imperan.live;

import imperan.show.PartId;

import java.util.Optional;

/**
 * A control at one moment, as screens draw it.
 *
 * @param position where its cap stands, 0 to 1; the rest value while it is unset
 * @param echo     where its target last said it stands, 0 to 1; empty where it never did
 * @param belief   what we may believe of it
 * @param disputed whether what we sent and what was answered differ for longer than the answer window
 * @param text     the position as the argument that is sent
 * @param echoText the echo in the same terms, or what the target said where that was a text; empty where it said nothing
 * @param holder   the browser whose finger is on it, or empty
 * @param holderName the name of that browser's user, or empty
 * @param movedBy  who moved it last, a person or a target; empty where nobody did
 * @param presses  how often it was pressed, so that a press is seen even where it is over when the screen is drawn
 */
public record ControlValue(PartId control, double position, Optional<Double> echo, Belief belief, boolean disputed,
                           String text, String echoText, String holder, String holderName, String movedBy,
                           long presses) {
}
