/**
 * The job ticket of one piece of printing: what is decided, how that is changed, what is wrong with it, what it says it will do, and the
 * order that it is frozen to. All of it is pure: facts about pictures, papers and printers are handed in.
 */
package wistel.core.docket;
