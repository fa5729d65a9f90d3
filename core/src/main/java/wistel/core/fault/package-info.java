/** The one family of typed errors, each with a code, what happened and what to do next. */
package wistel.core.fault;
