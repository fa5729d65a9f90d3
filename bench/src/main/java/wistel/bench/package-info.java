/** Measurements: speed and memory, each beside a peer in the same run. */
package wistel.bench;
