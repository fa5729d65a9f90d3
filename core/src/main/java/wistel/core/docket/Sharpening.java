package wistel.core.docket;

/** How much sharpness the print gets back that ink and paper take. Off unless asked for: many pictures come sharpened from the editor. */
public enum Sharpening { OFF, LIGHT, STANDARD, STRONG }
