/**
 * The ICC profile as a file (ICC.1:2022 and ICC.1:2001-04): header, tags, tag types, tables as stages; reading, checking and writing.
 * Evaluates nothing.
 */
package wistel.core.icc.profile;
