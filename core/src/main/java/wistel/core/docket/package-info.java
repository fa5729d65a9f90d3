/**
 * The job ticket of one piece of printing, in rooms: what is decided, how that is changed, what is wrong with it, what it says it will do,
 * what it takes. Here is what stands on all of them: the order that a docket is frozen to. All of it is pure: facts about pictures, papers
 * and printers are handed in.
 */
package wistel.core.docket;
