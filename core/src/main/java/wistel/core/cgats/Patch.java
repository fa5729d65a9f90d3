package wistel.core.cgats;

import wistel.core.colour.Lab;

/**
 * One measured patch: its label, device values from 0 to 1 (three for RGB, one for gray with 1 as paper, four inks for CMYK), and its
 * colour as measured, absolute.
 */
public record Patch(String id, double[] device, Lab lab) {
}
