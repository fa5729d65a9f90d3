package wistel.core.icc.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.ColourSpace;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.Intent;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.Transform;
import wistel.core.icc.transform.TransformCompiler;

/**
 * Patches by which a profile is checked against what its printer does now: bare paper, full inks and their half tones, grays, dark tones,
 * and colours that everybody remembers. Each with the colour that the profile foresees.
 */
public record ControlStrip(List<StripPatch> patches) {
    /** What a patch tells. */
    public enum Kind {
        PAPER, BLACK, PRIMARY, HALF_TONE, GRAY, DARK, MEMORY
    }

    /**
     * @param name     "cyan", "gray 50": what it is, in words
     * @param device   RGB values, or one of gray, 0 to 1
     * @param foreseen absolute
     */
    public record StripPatch(String name, Kind kind, double[] device, Lab foreseen) {
        public StripPatch {
            device = device.clone();
        }

        @Override
        public double[] device() {
            return device.clone();
        }
    }

    public static final int FEWEST = 24;
    public static final int MOST = 48;

    private static final String[] PRIMARIES = {"cyan", "magenta", "yellow", "red", "green", "blue"};
    private static final double[][] PRIMARY_RGB = {{0, 1, 1}, {1, 0, 1}, {1, 1, 0}, {1, 0, 0}, {0, 1, 0}, {0, 0, 1}};

    private record Remembered(String name, Lab lab) {
    }

    /** About what people expect of them; the exact place doesn't matter, as each is compared with what the profile foresees. */
    private static final List<Remembered> REMEMBERED = List.of(new Remembered("light skin", new Lab(72, 16, 18)),
        new Remembered("dark skin", new Lab(42, 15, 17)), new Remembered("sky", new Lab(60, -6, -28)),
        new Remembered("grass", new Lab(48, -24, 30)), new Remembered("wood", new Lab(50, 12, 26)),
        new Remembered("brick", new Lab(42, 32, 24)),
        new Remembered("sea", new Lab(45, -16, -18)), new Remembered("sand", new Lab(78, 3, 18)));

    public ControlStrip {
        patches = List.copyOf(patches);
    }

    /**
     * @param profile of a printer driven by RGB or gray
     * @param count   24 to 48
     * @throws IllegalArgumentException when it is another number
     */
    public static ControlStrip of(IccProfile profile, int count) {
        if (count < FEWEST || count > MOST) {
            throw new IllegalArgumentException(count + " patches");
        }
        Transform toLab = TransformCompiler.toMeasuredLab(profile);
        List<StripPatch> all = new ArrayList<>();
        if (profile.space() == ColourSpace.GRAY) {
            for (int i = 0; i < count; i++) {
                double v = i / (count - 1.0);
                Kind kind = i == 0 ? Kind.BLACK : i == count - 1 ? Kind.PAPER : v < 0.25 ? Kind.DARK : Kind.GRAY;
                all.add(patch("gray " + Math.round(100 * v), kind, toLab, v));
            }
            return new ControlStrip(all);
        }
        all.add(patch("paper", Kind.PAPER, toLab, 1, 1, 1));
        all.add(patch("black", Kind.BLACK, toLab, 0, 0, 0));
        for (int i = 0; i < PRIMARIES.length; i++) {
            all.add(patch(PRIMARIES[i], Kind.PRIMARY, toLab, PRIMARY_RGB[i]));
        }
        for (int i = 0; i < 3; i++) {
            double[] half = PRIMARY_RGB[i].clone();
            half[i] = 0.5;
            all.add(patch("half " + PRIMARIES[i], Kind.HALF_TONE, toLab, half));
        }
        int left = count - all.size();
        int dark = Math.max(3, left / 5);
        int remembered = Math.min(REMEMBERED.size(), Math.max(4, left / 3));
        int grays = left - dark - remembered;
        Transform fromLab = TransformCompiler.compile(new Recipe.FromLab(profile, Intent.RELATIVE));
        for (int i = 0; i < grays; i++) {
            double l = 90 - 55.0 * i / Math.max(1, grays - 1);
            all.add(asked("gray " + Math.round(l), Kind.GRAY, new Lab(l, 0, 0), fromLab, toLab));
        }
        double black = all.get(1).foreseen.l();
        for (int i = 0; i < dark; i++) {
            double l = black + (32 - black) * (i + 0.5) / dark;
            // every other one a dark colour: warm, then cold
            double b = i % 2 == 0 ? 0 : i % 4 == 1 ? 8 : -8;
            all.add(asked("dark " + Math.round(l), Kind.DARK, new Lab(l, b / 2, b), fromLab, toLab));
        }
        REMEMBERED.subList(0, remembered).forEach(r -> all.add(asked(r.name, Kind.MEMORY, r.lab, fromLab, toLab)));
        return new ControlStrip(all);
    }

    /** What a printer is sent for each patch, 16 bit, by channel. */
    public List<List<Integer>> codes() {
        return patches.stream().map(p -> Arrays.stream(p.device).mapToObj(v -> (int) Math.round(65535 * v)).toList()).toList();
    }

    /** Whether prints of a profile's paper bear it beside a picture: the page's numbers are those of the profile. */
    public static boolean besidePictures(IccProfile profile) {
        return profile.space() == ColourSpace.RGB;
    }

    private static StripPatch patch(String name, Kind kind, Transform toLab, double... device) {
        return new StripPatch(name, kind, device, LabEncoding.V4.lab(toLab.exact(device)));
    }

    /** The device values that the profile gives for a colour, as a file of 8 bits could hold them too. */
    private static StripPatch asked(String name, Kind kind, Lab lab, Transform fromLab, Transform toLab) {
        double[] device = fromLab.exact(lab.l() / 100, (lab.a() + 128) / 255, (lab.b() + 128) / 255);
        for (int i = 0; i < device.length; i++) {
            device[i] = Math.round(255 * device[i]) / 255.0;
        }
        return patch(name, kind, toLab, device);
    }
}
