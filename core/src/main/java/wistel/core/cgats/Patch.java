package wistel.core.cgats;

import wistel.core.colour.Lab;

/** One measured patch: its label, device values from 0 to 1 (three for RGB, one for gray), and its colour as measured, absolute. */
public record Patch(String id, double[] device, Lab lab) {
}
