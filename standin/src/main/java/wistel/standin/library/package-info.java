/**
 * Catalogues of paper makers that don't exist, as makers put them on the web: JSON Feed 1.1 with ICC profiles, charts (CGATS) and a licence.
 * Profiles are made from the ink model, one for each printer and quality.
 */
package wistel.standin.library;
