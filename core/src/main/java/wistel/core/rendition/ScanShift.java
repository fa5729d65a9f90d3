package wistel.core.rendition;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import wistel.core.colour.LabEncoding;

/**
 * By how much a print came out otherwise than it was foreseen: what paper, ink or profile did, whatever a person thinks of the picture.
 *
 * @param shadowsL of the darkest third of what was foreseen, measured less foreseen, in L*; likewise the middle and the lightest third
 * @param a, b     of all of it
 */
public record ScanShift(double shadowsL, double middlesL, double lightsL, double a, double b) {
    /** Smaller ones are the scanner's, or nobody sees them: L*, a*, b*. */
    private static final double SEEN = 1.5;

    /**
     * @param foreseen codes of {@link LabEncoding#V4} that an instrument would read
     * @param scanned  the same of the print, place by place
     * @throws IllegalArgumentException when these aren't of as many places, or of none
     */
    public static ScanShift of(char[] foreseen, char[] scanned) {
        if (foreseen.length != scanned.length || foreseen.length < 3) {
            throw new IllegalArgumentException(foreseen.length + " codes foreseen, " + scanned.length + " scanned");
        }
        int n = foreseen.length / 3;
        List<Integer> byLightness = IntStream.range(0, n).boxed().sorted(Comparator.comparing((Integer i) -> foreseen[3 * i])).toList();
        double[] thirds = new double[3];
        for (int third = 0; third < 3; third++) {
            List<Integer> of = byLightness.subList(third * n / 3, Math.max(third * n / 3 + 1, (third + 1) * n / 3));
            thirds[third] = of.stream().mapToDouble(i -> LabEncoding.V4.l(scanned[3 * i]) - LabEncoding.V4.l(foreseen[3 * i])).average()
                .orElse(0);
        }
        return new ScanShift(thirds[0], thirds[1], thirds[2], mean(foreseen, scanned, 1), mean(foreseen, scanned, 2));
    }

    private static double mean(char[] foreseen, char[] scanned, int channel) {
        return IntStream.range(0, foreseen.length / 3)
            .mapToDouble(i -> LabEncoding.V4.ab(scanned[3 * i + channel]) - LabEncoding.V4.ab(foreseen[3 * i + channel])).average()
            .orElse(0);
    }

    /** "2.1 L* darker in the shadows, 1.8 b* yellower"; blank where nothing of it would be seen. */
    public String words() {
        List<String> words = new ArrayList<>();
        double least = Math.min(shadowsL, Math.min(middlesL, lightsL));
        double most = Math.max(shadowsL, Math.max(middlesL, lightsL));
        if (least >= SEEN || most <= -SEEN) {
            words.add(lightness((shadowsL + middlesL + lightsL) / 3) + " all over");
        } else {
            add(words, shadowsL, "in the shadows");
            add(words, middlesL, "in the middle tones");
            add(words, lightsL, "in the lights");
        }
        if (Math.abs(a) >= SEEN) {
            words.add(number(a) + " a* " + (a > 0 ? "redder" : "greener"));
        }
        if (Math.abs(b) >= SEEN) {
            words.add(number(b) + " b* " + (b > 0 ? "yellower" : "bluer"));
        }
        return String.join(", ", words);
    }

    private static void add(List<String> words, double shift, String where) {
        if (Math.abs(shift) >= SEEN) {
            words.add(lightness(shift) + " " + where);
        }
    }

    private static String lightness(double shift) {
        return number(shift) + " L* " + (shift > 0 ? "lighter" : "darker");
    }

    private static String number(double shift) {
        return String.format(Locale.ROOT, "%.1f", Math.abs(shift));
    }
}
