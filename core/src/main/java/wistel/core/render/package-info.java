/**
 * Pages as print files: rows from masters, resampled and converted, into PWG raster or TIFF; charts. Where the pictures lie is {@code
 * sheet}'s.
 */
package wistel.core.render;
