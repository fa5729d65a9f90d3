/** ICC profiles: reading, stages, compiled transforms, black point, gamut, and making profiles from measurements. Knows colour, cgats and fault only. */
package wistel.core.icc;
