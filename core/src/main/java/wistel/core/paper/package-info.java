/** Sheets, papers and the pairing of a paper with a printer's settings. */
package wistel.core.paper;
