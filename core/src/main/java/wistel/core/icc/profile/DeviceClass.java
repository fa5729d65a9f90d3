package wistel.core.icc.profile;

import java.util.Arrays;
import java.util.Optional;

/** Profile classes of ICC.1:2022, table 18. Named colour profiles are not among them: they hold single colours, not a device. */
public enum DeviceClass {
    INPUT("scnr"), DISPLAY("mntr"), OUTPUT("prtr"), LINK("link"), CONVERSION("spac"), ABSTRACT("abst");

    private final String signature;

    DeviceClass(String signature) {
        this.signature = signature;
    }

    public String signature() {
        return signature;
    }

    static Optional<DeviceClass> of(String signature) {
        return Arrays.stream(values()).filter(c -> c.signature.equals(signature)).findFirst();
    }
}
