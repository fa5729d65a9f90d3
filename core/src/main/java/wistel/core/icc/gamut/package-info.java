/**
 * What a printer and paper can hold: which colours of a picture they can't and why, and the boundary of those they can, as numbers for
 * plots.
 */
package wistel.core.icc.gamut;
