package wistel.core.icc.profile;

import java.util.Arrays;
import java.util.Optional;

/** Data colour spaces of ICC.1:2022, table 19, that Wistel reads. */
public enum ColourSpace {
    GRAY("GRAY", 1), RGB("RGB ", 3), CMYK("CMYK", 4), CMY("CMY ", 3), LAB("Lab ", 3), XYZ("XYZ ", 3),
    COLORANTS_2("2CLR", 2), COLORANTS_3("3CLR", 3), COLORANTS_4("4CLR", 4), COLORANTS_5("5CLR", 5),
    COLORANTS_6("6CLR", 6), COLORANTS_7("7CLR", 7), COLORANTS_8("8CLR", 8);

    private final String signature;
    private final int channels;

    ColourSpace(String signature, int channels) {
        this.signature = signature;
        this.channels = channels;
    }

    public String signature() {
        return signature;
    }

    public int channels() {
        return channels;
    }

    /** True for the two spaces that profiles connect through. */
    public boolean isConnection() {
        return this == LAB || this == XYZ;
    }

    static Optional<ColourSpace> of(String signature) {
        return Arrays.stream(values()).filter(s -> s.signature.equals(signature)).findFirst();
    }
}
