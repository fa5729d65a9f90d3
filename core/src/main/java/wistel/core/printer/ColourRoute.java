package wistel.core.printer;

import wistel.core.icc.profile.Intent;

/** Who converts the colour: exactly one of Wistel and the driver. */
public sealed interface ColourRoute {
    /**
     * Through the pairing's profile; the driver is told to do nothing.
     *
     * @param blackPoint compensation asked for; never applied with the absolute intent (ISO 18619, 4.1)
     */
    record ByWistel(Intent intent, boolean blackPoint) implements ColourRoute {
        public boolean compensatesBlack() {
            return blackPoint && intent != Intent.ABSOLUTE;
        }
    }

    /** The driver, its own way, from sRGB. */
    record ByDriver() implements ColourRoute {
    }
}
