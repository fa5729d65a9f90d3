/** The print room stand-in as a process: simulated printer, instrument and room. It knows core. */
package wistel.standin;
