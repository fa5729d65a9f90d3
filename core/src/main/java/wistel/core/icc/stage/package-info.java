/**
 * The steps of a colour chain and their arithmetic: curves, matrices, tables, L*a*b* and XYZ. Knows nothing of files, profiles or intents.
 */
package wistel.core.icc.stage;
