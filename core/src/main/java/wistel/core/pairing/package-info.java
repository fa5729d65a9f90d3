/**
 * What belongs together to print well: a printer, a paper, the settings, profile and usual intent, and the tone curves of its modes; by
 * versions, of which none changes. What a paper is in itself is in {@code paper}.
 */
package wistel.core.pairing;
