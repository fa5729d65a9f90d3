package wistel.core.icc.profile;

import java.util.Optional;
import wistel.core.icc.stage.Stage;

/**
 * How numbers from 0 to 1 stand for L*a*b* or XYZ. L*a*b* of 16 bits has two codings: FF00 = 100 in version 2 and in every lut16Type,
 * whatever its profile's version (ICC.1:2022, 10.10), FFFF = 100 elsewhere (6.3.4.2); with 8 bits FF = 100 in both. XYZ is
 * u1Fixed15: 1 is coded 8000 (6.3.4.2, table 11).
 */
public enum Coding {
    LAB(100, 255, -128), LAB_OLD_16(100 * 65535.0 / 65280, 255 * 65535.0 / 65280, -128), XYZ(1 + 32767.0 / 32768, 1 + 32767.0 / 32768, 0);

    private final double first;
    private final double others;
    private final double offset;

    Coding(double first, double others, double offset) {
        this.first = first;
        this.others = others;
        this.offset = offset;
    }

    /** Of 16-bit samples that go in and come out of a transform; empty for device spaces, which need none. */
    public static Optional<Coding> ofSamples(ColourSpace space) {
        return switch (space) {
            case LAB -> Optional.of(LAB);
            case XYZ -> Optional.of(XYZ);
            default -> Optional.empty();
        };
    }

    /** Of one side of a table tag. */
    static Optional<Coding> ofTable(ColourSpace space, String tagType) {
        return space == ColourSpace.LAB && tagType.equals("mft2") ? Optional.of(LAB_OLD_16) : ofSamples(space);
    }

    /** From 0 to 1 to L*a*b* or XYZ in their own units. */
    public Stage decode() {
        return Stage.Linear.scale(first, others, others, 0, offset, offset);
    }

    public Stage encode() {
        return Stage.Linear.scale(1 / first, 1 / others, 1 / others, 0, -offset / others, -offset / others);
    }
}
