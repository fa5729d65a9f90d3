package wistel.core.rendition;

import java.util.Optional;
import wistel.core.colour.D50;
import wistel.core.colour.Oklab;
import wistel.core.icc.stage.LabChange;
import wistel.core.icc.stage.LabFunction;
import wistel.core.pictures.SideMoves;

/**
 * What a wrapped picture's sides are darkened, lightened and drained by, in Oklab: darker scales all three of its coordinates, as less
 * light on the side would; lighter draws them towards white.
 *
 * @param of what is darkened or lightened of colours: {@link TonesOf#LAB} in print files of old
 */
public record SideChange(int darker, int lessColour, TonesOf of) implements LabChange {
    public static SideChange of(SideMoves moves, TonesOf of) {
        return new SideChange(moves.darker(), moves.lessColour(), of);
    }

    @Override
    public void apply(double[] lab, int at) {
        (of == TonesOf.OKLAB ? new TonesOfColours(tones()) : tones()).apply(lab, at);
        Oklab.fromLab(lab, at);
        double factor = chroma();
        lab[at + 1] *= factor;
        lab[at + 2] *= factor;
        Oklab.toLab(lab, at);
    }

    /** Of a gray, whose lightness in Oklab is the cube root of its luminance. */
    private LabFunction tones() {
        double share = Math.abs(darker) / 100.0;
        return (lab, at) -> {
            double root = Math.cbrt(D50.luminance(lab[at]));
            double moved = darker > 0 ? root * (1 - share) : root + (1 - root) * share;
            lab[at] = D50.lightness(moved * moved * moved);
        };
    }

    /** Beyond what tones do to it: those of Oklab take chroma with them where they darken. */
    private double chroma() {
        return (1 - (of == TonesOf.OKLAB ? Math.max(0, -darker) : Math.abs(darker)) / 100.0) * (1 - lessColour / 100.0);
    }

    @Override
    public Form form() {
        double factor = chroma();
        return new Form.TonesFirst(of, tones(), Optional.of(at -> {
            at[0] *= factor;
            at[1] *= factor;
            at[2] = 0;
        }), (lab, at) -> {});
    }
}
