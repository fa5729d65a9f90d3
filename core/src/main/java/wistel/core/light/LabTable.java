package wistel.core.light;

import java.util.function.UnaryOperator;
import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

/**
 * A function of colours as a table of 33 x 33 x 33, for pictures to look at: between its nodes on straight lines, which near black are off by
 * up to CIEDE2000 1.5.
 */
public final class LabTable {
    private static final int NODES = 33;
    private static final int LAST = NODES - 1;

    private final float[] nodes = new float[3 * NODES * NODES * NODES];

    /** @param function of absolute colours */
    public LabTable(UnaryOperator<Lab> function) {
        char[] codes = new char[3];
        for (int i = 0; i < nodes.length / 3; i++) {
            codes[0] = code(i / (NODES * NODES));
            codes[1] = code(i / NODES % NODES);
            codes[2] = code(i % NODES);
            Lab lab = function.apply(LabEncoding.V4.lab(codes, 0));
            nodes[3 * i] = LabEncoding.V4.ofL(Math.max(0, Math.min(100, lab.l())));
            nodes[3 * i + 1] = LabEncoding.V4.ofAb(Math.max(-128, Math.min(127, lab.a())));
            nodes[3 * i + 2] = LabEncoding.V4.ofAb(Math.max(-128, Math.min(127, lab.b())));
        }
    }

    private static char code(int node) {
        return (char) Math.round(65535.0 * node / LAST);
    }

    /** @param lab codes of {@link LabEncoding#V4}, changed in their place */
    public void apply(char[] lab) {
        for (int i = 0; i < lab.length; i += 3) {
            float x = lab[i] * LAST / 65535f;
            float y = lab[i + 1] * LAST / 65535f;
            float z = lab[i + 2] * LAST / 65535f;
            int x0 = Math.min(LAST - 1, (int) x);
            int y0 = Math.min(LAST - 1, (int) y);
            int z0 = Math.min(LAST - 1, (int) z);
            int at = 3 * ((x0 * NODES + y0) * NODES + z0);
            for (int c = 0; c < 3; c++) {
                float near = plane(at + c, y - y0, z - z0);
                float far = plane(at + c + 3 * NODES * NODES, y - y0, z - z0);
                lab[i + c] = (char) (near + (far - near) * (x - x0) + 0.5f);
            }
        }
    }

    private float plane(int at, float y, float z) {
        float near = nodes[at] + (nodes[at + 3] - nodes[at]) * z;
        float far = nodes[at + 3 * NODES] + (nodes[at + 3 * NODES + 3] - nodes[at + 3 * NODES]) * z;
        return near + (far - near) * y;
    }
}
