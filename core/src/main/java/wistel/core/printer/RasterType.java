package wistel.core.printer;

import java.util.ArrayList;
import java.util.List;

/** A PWG raster type that a print file can have (PWG 5102.4, table 3): whose colour its numbers are, and how deep. */
public enum RasterType {
    DEVICE3_16("device3_16", Space.DEVICE, 16), DEVICE3_8("device3_8", Space.DEVICE, 8), SRGB_16("srgb_16", Space.SRGB, 16),
    SRGB_8("srgb_8", Space.SRGB, 8),
    OPRGB_16("adobe-rgb_16", Space.OPRGB, 16), OPRGB_8("adobe-rgb_8", Space.OPRGB, 8), SGRAY_16("sgray_16", Space.GRAY, 16),
    SGRAY_8("sgray_8", Space.GRAY, 8);

    /**
     * Whose colour the numbers are: the printer's own colorants, sRGB (IEC 61966-2-1), opRGB (IEC 61966-2-5), gray with the curve of sRGB.
     */
    public enum Space {
        DEVICE, SRGB, OPRGB, GRAY
    }

    /** In a known space, to be converted by the driver. */
    static final List<RasterType> TAGGED = List.of(SRGB_16, SRGB_8, OPRGB_16, OPRGB_8);

    private final String keyword;
    private final Space space;
    private final int bits;

    RasterType(String keyword, Space space, int bits) {
        this.keyword = keyword;
        this.space = space;
        this.bits = bits;
    }

    public String keyword() {
        return keyword;
    }

    public Space space() {
        return space;
    }

    /** The printer's own colorants, not to be converted again. */
    public boolean device() {
        return space == Space.DEVICE;
    }

    public int channels() {
        return space == Space.GRAY ? 1 : 3;
    }

    public int bits() {
        return bits;
    }

    /** Types that serve a way of the colour, the deepest first. */
    static List<RasterType> wanted(ColourRoute route) {
        if (route instanceof ColourRoute.ByWistel) {
            return List.of(DEVICE3_16, DEVICE3_8);
        }
        if (route instanceof ColourRoute.DriverMonochrome) {
            return List.of(SGRAY_16, SGRAY_8, SRGB_16, SRGB_8);
        }
        List<RasterType> wanted = new ArrayList<>(
            ((ColourRoute.ByDriver) route).space() == Space.OPRGB ? List.of(OPRGB_16, OPRGB_8) : List.of());
        wanted.addAll(List.of(SRGB_16, SRGB_8, OPRGB_16, OPRGB_8));
        return wanted;
    }
}
