/**
 * The pixel loops: tables in, 16-bit pixels through. Which loop serves, and what stands in the tables, is decided elsewhere. Knows nothing
 * but numbers.
 */
package wistel.core.icc.kernel;
