/**
 * Monochrome output measured and straightened: wedges, their readings as scales, what a scale is worth, the curve that straightens it, and
 * what it then prints, as CGATS and as a Gray profile; wedges on scans; the page to judge by eye. How a wedge lies on paper is {@code
 * sheet.Chart}'s, what its curve does to a picture {@code rendition.LinearisationStep}'s.
 */
package wistel.core.tone;
