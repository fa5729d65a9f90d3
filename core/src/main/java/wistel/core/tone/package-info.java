/**
 * Monochrome output measured and straightened: wedges, their readings as scales, what a scale is worth, the curve that straightens it, and what it
 * then prints, as CGATS and as a Gray profile. Printing a wedge belongs to sheets, a pairing's curve in force to renditions.
 */
package wistel.core.tone;
