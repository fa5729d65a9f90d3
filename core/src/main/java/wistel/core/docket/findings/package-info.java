/**
 * What is wrong or doubtful and how it is mended: a rule for each concern, the choices that a printer leaves, what to change after a verdict,\n * and what the print will look like with the settings as they stand.
 */
package wistel.core.docket.findings;
