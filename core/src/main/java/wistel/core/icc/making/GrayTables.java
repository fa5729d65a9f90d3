package wistel.core.icc.making;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.function.UnaryOperator;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.TagWriter;

/** A2B and B2A of a monochrome printer for three intents, as lut16 (ICC.1:2022, 8.4 and 10.10). */
final class GrayTables {
    private static final int SIDE = 255;
    /** As many as a lut16 may have. */
    private static final int SAMPLES = 4096;

    private GrayTables() {
    }

    static ProfileWriter into(ProfileWriter profile, GrayRamp ramp) {
        // without chroma, perceptual and saturation differ from relative in black only
        MediumMapping mapping = new MediumMapping(MediumMapping.Blacks.of(profile.version(), ramp.blackL()), 1,
            GrayTint.of(ProfileChoices.GrayBalance.PAPER, ramp.whiteXyz()));
        byte[] scaled = forward(ramp, mapping::undo);
        byte[] scaledBack = inverse(ramp, l -> mapping.apply(new Lab(l, 0, 0)).l());
        return profile.tag("A2B0", scaled).tag("A2B1", forward(ramp, UnaryOperator.identity())).tag("A2B2", scaled)
            .tag("B2A0", scaledBack).tag("B2A1", inverse(ramp, l -> l)).tag("B2A2", scaledBack);
    }

    private static byte[] forward(GrayRamp ramp, UnaryOperator<Lab> mapping) {
        char[] nodes = new char[3 * SIDE];
        for (int i = 0; i < SIDE; i++) {
            Lab lab = mapping.apply(ramp.at(i / (SIDE - 1.0)));
            NodeCodes.put(lab, nodes, 3 * i);
        }
        return LutWriter.lut16(1, 3, SIDE, nodes);
    }

    /** The gray value is lightness through a curve; what the grid does with it is nothing. */
    private static byte[] inverse(GrayRamp ramp, DoubleUnaryOperator mapping) {
        char[] lightness = new char[SAMPLES];
        char[] straight = new char[SAMPLES];
        for (int i = 0; i < SAMPLES; i++) {
            straight[i] = NodeCodes.code(65535.0 * i / (SAMPLES - 1));
            lightness[i] = NodeCodes.code(65535 * ramp.grayOf(mapping.applyAsDouble(LabEncoding.V2.l(straight[i]))));
        }
        char[] nodes = {0, 0, 0, 0, 65535, 65535, 65535, 65535};
        return LutWriter.lut16(1, 2, nodes, lightness, straight, straight);
    }
}
