package wistel.core.light;

import java.math.BigDecimal;
import wistel.core.fault.InvalidRequest;

/** The light that a print will hang in, as it was when somebody chose it: a light that is changed or let go later changes no docket. */
public record HangingLight(String name, double lux, double kelvin) {
    private static final int LONGEST_NAME = 60;

    /** @throws InvalidRequest when it is no light, or its name too long */
    public HangingLight {
        name = InvalidRequest.named(name, "A light's name", LONGEST_NAME);
        new Light(lux, kelvin);
    }

    /** "hall (90 lx)". */
    public String words() {
        return name + " (" + BigDecimal.valueOf(lux).stripTrailingZeros().toPlainString() + " lx)";
    }
}
