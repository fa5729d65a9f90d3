package wistel.core.icc.making;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import java.util.function.UnaryOperator;
import wistel.core.colour.Lab;
import wistel.core.icc.profile.LutWriter;
import wistel.core.icc.profile.ProfileWriter;
import wistel.core.icc.profile.TagWriter;

/**
 * A2B and B2A of a monochrome printer for three intents (ICC.1:2022, 8.4): forward as lut16, back as lutBToA, whose grid may be long in
 * lightness and short where the gray value doesn't depend on colour.
 */
final class GrayTables {
    private static final int SIDE = 255;

    private GrayTables() {
    }

    static ProfileWriter into(ProfileWriter profile, GrayRamp ramp) {
        // without chroma, perceptual and saturation differ from relative in black only
        MediumMapping mapping = MediumMapping.saturation(ramp.blackL());
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

    private static byte[] inverse(GrayRamp ramp, DoubleUnaryOperator mapping) {
        char[] nodes = new char[4 * SIDE];
        for (int i = 0; i < nodes.length; i++) {
            nodes[i] = NodeCodes.code(65535 * ramp.grayOf(mapping.applyAsDouble(100.0 * (i / 4) / (SIDE - 1))));
        }
        byte[] straight = TagWriter.sampled();
        return LutWriter.connectionFirst(1, new LutWriter.Parts(List.of(straight, straight, straight), new double[0], List.of(),
            List.of(new LutWriter.Table(new int[] {SIDE, 2, 2}, nodes)), List.of(straight)));
    }
}
