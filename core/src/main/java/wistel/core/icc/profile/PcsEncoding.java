package wistel.core.icc.profile;

import java.util.Optional;
import wistel.core.colour.LabEncoding;
import wistel.core.icc.stage.Stage;

/**
 * How numbers from 0 to 1 stand for L*a*b* or XYZ. L*a*b* of 16 bits has two codings: FF00 = 100 in version 2 and in every lut16Type,
 * whatever its profile's version (ICC.1:2022, 10.10), FFFF = 100 elsewhere (6.3.4.2); with 8 bits FF = 100 in both. XYZ is
 * u1Fixed15: 1 is coded 8000 (6.3.4.2, table 11).
 */
public enum PcsEncoding {
    LAB(LabEncoding.V4), LAB_V2(LabEncoding.V2), XYZ(1 + 32767.0 / 32768, 1 + 32767.0 / 32768, 0);

    private final double first;
    private final double others;
    private final double offset;

    PcsEncoding(double first, double others, double offset) {
        this.first = first;
        this.others = others;
        this.offset = offset;
    }

    PcsEncoding(LabEncoding lab) {
        this(65535 / lab.lightness(), 65535 / lab.chroma(), lab.lowest());
    }

    /** Of 16-bit samples that go in and come out of a transform; empty for device spaces, which need none. */
    public static Optional<PcsEncoding> ofSamples(ColourSpace space) {
        return switch (space) {
            case LAB -> Optional.of(LAB);
            case XYZ -> Optional.of(XYZ);
            default -> Optional.empty();
        };
    }

    /** Of one side of a table tag. */
    static Optional<PcsEncoding> ofTable(ColourSpace space, String tagType) {
        return space == ColourSpace.LAB && tagType.equals("mft2") ? Optional.of(LAB_V2) : ofSamples(space);
    }

    /** From 0 to 1 to L*a*b* or XYZ in their own units. */
    public Stage decode() {
        return Stage.Linear.scale(first, others, others, 0, offset, offset);
    }

    public Stage encode() {
        return Stage.Linear.scale(1 / first, 1 / others, 1 / others, 0, -offset / others, -offset / others);
    }
}
