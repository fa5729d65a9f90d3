/**
 * The light that a print is looked at in: lights, what the eye makes of a colour under one (CIECAM16), and which tones it tells apart (the
 * Grayscale Standard Display Function). Pure; no profiles, no pictures.
 */
package wistel.core.light;
