/** What happens to a picture before its colour is converted: its treatment. Which profile it is converted through is a docket's to say. */
package wistel.core.rendition;
