/** Prints that come out true to size: ruled lines, what a ruler said of them, and the factors that a pairing has from then on. */
package wistel.server.truesize;
