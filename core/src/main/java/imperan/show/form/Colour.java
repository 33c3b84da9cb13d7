package imperan.show.form;

import imperan.shaping.Hsv;
import imperan.show.PartRules;
import java.util.List;
import java.util.Optional;

/**
 * A colour, as red, green and blue. The field is hue sideways and saturation upwards, the brightness has a slider of its own.
 *
 * @param swatches saved colours, each as #rrggbb
 */
public record Colour(List<String> swatches) implements Form {
    /** The saved colours of a new control: warm and cold white, and three that can be told apart. */
    public static final Colour USUAL = new Colour(List.of("#ffd696", "#ffffff", "#ff8a3c", "#3ca0ff", "#5fd6a0"));

    public Colour {
        swatches = List.copyOf(swatches);
    }

    @Override
    public String called() {
        return "colour";
    }

    @Override
    public int axes() {
        return 3;
    }

    @Override
    public void check(PartRules rules) {
        swatches.stream()
                .filter(swatch -> !swatch.matches("#[0-9a-f]{6}"))
                .findFirst()
                .ifPresent(swatch -> rules.problem(
                        "form/swatches",
                        "A saved colour is written #rrggbb, such as #ffd696; “" + swatch + "” is none"));
        if (swatches.size() > PartRules.MAX_OPTIONS) {
            rules.problem("form/swatches", "At most " + PartRules.MAX_OPTIONS + " colours are kept");
        }
    }

    @Override
    public boolean restsOnDemand() {
        return false;
    }

    @Override
    public boolean givesColour() {
        return true;
    }

    /** The colour under the finger, as bright as it was; out of the dark it comes at full brightness. */
    @Override
    public Position press(Position at, Finger finger, HandMemory memory, long now) {
        double value = hsv(at).value();
        return Position.of(new Hsv(
                        Math.min(Position.clamp(finger.x()), Math.nextDown(1.0)),
                        Position.clamp(finger.y()),
                        value > 0 ? value : 1)
                .rgb());
    }

    @Override
    public Position move(Position at, Finger finger, HandMemory memory) {
        return press(at, finger, memory, 0);
    }

    @Override
    public Position step(Position at, double right, double up, HandMemory memory) {
        Hsv before = hsv(at);
        double hue = (before.hue() + right) % 1;
        return Position.of(new Hsv(
                        hue < 0 ? hue + 1 : hue,
                        Position.clamp(before.saturation() + up),
                        before.value() > 0 ? before.value() : 1)
                .rgb());
    }

    /** Its brightness. */
    @Override
    public Position set(Position at, double to) {
        Hsv before = hsv(at);
        return Position.of(new Hsv(before.hue(), before.saturation(), Position.clamp(to)).rgb());
    }

    @Override
    public Optional<Position> saved(int index) {
        if (index < 0 || index >= swatches.size()) {
            return Optional.empty();
        }
        int bits = Integer.parseInt(swatches.get(index).substring(1), 16);
        return Optional.of(Position.of((bits >> 16 & 255) / 255.0, (bits >> 8 & 255) / 255.0, (bits & 255) / 255.0));
    }

    private static Hsv hsv(Position at) {
        return Hsv.ofRgb(at.get(0), at.get(1), at.get(2));
    }

    @Override
    public Size inStrip() {
        return new Size(6, 5);
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS, 4);
    }
}
