package wistel.core.printer;

import java.util.List;

/** A PWG raster type that a print file can have (PWG 5102.4, table 3): whose colour its numbers are, and how deep. */
public enum RasterType {
    DEVICE3_16("device3_16", true, 16), DEVICE3_8("device3_8", true, 8), SRGB_16("srgb_16", false, 16), SRGB_8("srgb_8", false, 8);

    private final String keyword;
    private final boolean device;
    private final int bits;

    RasterType(String keyword, boolean device, int bits) {
        this.keyword = keyword;
        this.device = device;
        this.bits = bits;
    }

    public String keyword() {
        return keyword;
    }

    /** The printer's own colorants, not to be converted again. */
    public boolean device() {
        return device;
    }

    public int bits() {
        return bits;
    }

    /** Types that serve a way of the colour, the deepest first. */
    static List<RasterType> wanted(ColourRoute route) {
        return route instanceof ColourRoute.ByWistel ? List.of(DEVICE3_16, DEVICE3_8) : List.of(SRGB_16, SRGB_8);
    }
}
