package wistel.core.cgats;

import java.util.Optional;
import wistel.core.colour.Lab;
import wistel.core.colour.Reflectance;

/**
 * One measured patch: its label, device values from 0 to 1 (three for RGB, one for gray with 1 as paper, four inks for CMYK), and its
 * colour as measured, absolute.
 *
 * @param spectrum where the instrument told it
 */
public record Patch(String id, double[] device, Lab lab, Optional<Reflectance> spectrum) {
    public Patch(String id, double[] device, Lab lab) {
        this(id, device, lab, Optional.empty());
    }
}
