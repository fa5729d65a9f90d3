/** Pictures as strips of 16-bit rows: probing and decoding files, orientation, views, resampling, histograms, L*a*b* scans. Never a whole picture. */
package wistel.core.picture;
