/**
 * From profiles and options to compiled transforms: which tags serve, black points, media white, the chain of stages, the choice of a
 * fast form, and the transform itself.
 */
package wistel.core.icc.transform;
