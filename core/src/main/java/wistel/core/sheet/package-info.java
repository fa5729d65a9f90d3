/** How the picture lies on the paper: placement, borders, the unprintable edge, what is cropped. */
package wistel.core.sheet;
