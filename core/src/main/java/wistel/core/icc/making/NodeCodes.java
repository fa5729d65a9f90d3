package wistel.core.icc.making;

import wistel.core.colour.Lab;
import wistel.core.colour.LabEncoding;

/** Values of a lut16's nodes as 16-bit codes, rounded and clipped; L*a*b* in that type's coding, FF00 = 100 (ICC.1:2022, 10.10). */
final class NodeCodes {
    private NodeCodes() {
    }

    static char code(double value) {
        return (char) Math.max(0, Math.min(65535, Math.round(value)));
    }

    static void put(Lab lab, char[] nodes, int at) {
        nodes[at] = LabEncoding.V2.ofL(lab.l());
        nodes[at + 1] = LabEncoding.V2.ofAb(lab.a());
        nodes[at + 2] = LabEncoding.V2.ofAb(lab.b());
    }
}
