/** Colour numbers: XYZ and L*a*b* relative to D50, CIEDE2000, chromatic adaptation. No profiles, no pictures. */
package wistel.core.colour;
