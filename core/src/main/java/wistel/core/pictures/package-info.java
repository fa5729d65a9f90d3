/**
 * Picture files as rows of 16-bit samples: probed, decoded once and forward, turned, resampled, counted. Pictures travel in strips and are
 * never held whole, but for views that are known to be small. What the samples mean as colour is {@code icc}'s, where they lie on paper is
 * {@code sheet}'s.
 */
package wistel.core.pictures;
