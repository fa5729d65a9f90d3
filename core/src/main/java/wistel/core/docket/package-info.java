/** The job ticket: decisions of the six stations, preflight findings, the readback. Nothing points here but the server. */
package wistel.core.docket;
