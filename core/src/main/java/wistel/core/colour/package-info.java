/**
 * Colour numbers: XYZ and L*a*b* relative to D50, CIEDE2000, chromatic adaptation; the smooth curve through points that moves of lightness
 * share. No profiles, no pictures.
 */
package wistel.core.colour;
