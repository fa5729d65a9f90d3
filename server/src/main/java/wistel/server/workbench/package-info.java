/** Pages for the workbench, as PDF: how text, lists and drawings are written. What stands on one is written where that is known. */
package wistel.server.workbench;
