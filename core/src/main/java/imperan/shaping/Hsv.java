package imperan.shaping;

/**
 * A colour by hue, saturation and value, each 0 to 1 (CSS Color 4, "HWB Colors", from which HSV follows: whiteness is value times
 * what is left of saturation, blackness is what is left of value).
 */
public record Hsv(double hue, double saturation, double value) {

    /** @param red green and blue 0 to 1. The hue of a grey is 0. */
    public static Hsv ofRgb(double red, double green, double blue) {
        double most = Math.max(red, Math.max(green, blue));
        double spread = most - Math.min(red, Math.min(green, blue));
        if (spread <= 0) {
            return new Hsv(0, 0, most);
        }
        double sixth = most == red
                ? (green - blue) / spread
                : most == green ? 2 + (blue - red) / spread : 4 + (red - green) / spread;
        return new Hsv((sixth / 6 + 1) % 1, spread / most, most);
    }

    /** Red, green and blue, each 0 to 1. */
    public double[] rgb() {
        return new double[] {channel(5), channel(3), channel(1)};
    }

    private double channel(int shift) {
        double place = (shift + hue * 6) % 6;
        return value - value * saturation * Math.max(0, Math.min(1, Math.min(place, 4 - place)));
    }
}
