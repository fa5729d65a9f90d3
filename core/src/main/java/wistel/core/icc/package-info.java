/**
 * The colour engine, one room per concern: {@code stage} (the arithmetic of one step), {@code profile} (the file), {@code kernel} (pixel
 * loops), {@code transform} (chains compiled and evaluated), {@code gamut} (what a device can hold) and {@code making} (profiles from
 * measurements). Each knows only those named before it. docs/colour.md explains the whole.
 */
package wistel.core.icc;
