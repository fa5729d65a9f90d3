/** What a person's own profile of a printer and paper is, and how far it can be trusted. Nothing is changed here, and nothing is made. */
package wistel.core.icc.inspection;
