package wistel.core.docket.spec;

import wistel.core.fault.InvalidRequest;

/**
 * How much of the picture's detail is printed.
 *
 * @param resamplePpi with {@link Pixels#RESAMPLE}, detail is kept up to this many pixels per inch
 * @param viewingMm   distance it will be looked at from; 0 when not said
 */
public record Resolution(Pixels pixels, int resamplePpi, double viewingMm) {
    public enum Pixels { KEEP, RESAMPLE }

    /** @throws InvalidRequest when a number is out of its range */
    public Resolution {
        if (!(resamplePpi >= 30 && resamplePpi <= 2880 && viewingMm >= 0 && viewingMm <= 100_000)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                "A number is out of its range: 30 to 2880 pixels per inch, looked at from up to 100 m.", "Enter another one.");
        }
    }

    /** Finest detail that is kept, in pixels per inch; infinite where all is kept that the printer takes. */
    public double mostPpi() {
        return pixels == Pixels.RESAMPLE ? resamplePpi : Double.POSITIVE_INFINITY;
    }
}
