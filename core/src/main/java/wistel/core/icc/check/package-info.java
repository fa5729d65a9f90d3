/** Whether a printer still prints what a profile says: strips of patches chosen for it, and the verdict on what was read of one. */
package wistel.core.icc.check;
