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

    /**
     * The driver, its own way, from a picture in a space that both know.
     *
     * @param space SRGB or OPRGB
     */
    record ByDriver(RasterType.Space space) implements ColourRoute {
        public ByDriver {
            if (space != RasterType.Space.SRGB && space != RasterType.Space.OPRGB) {
                throw new IllegalArgumentException(space.toString());
            }
        }

        public ByDriver() {
            this(RasterType.Space.SRGB);
        }
    }

    /** The driver's own monochrome mode: it gets gray, and mixes it from its black and gray inks. */
    record DriverMonochrome() implements ColourRoute {
    }
}
