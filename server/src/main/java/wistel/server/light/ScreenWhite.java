package wistel.server.light;

import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wistel.core.fault.InvalidRequest;
import wistel.core.light.Screen;
import wistel.server.setting.SettingRepository;

/** How bright the screen's white is, where somebody said it. */
@Component
public class ScreenWhite {
    private static final String KEY = "screen-white";

    private final SettingRepository settings;

    ScreenWhite(SettingRepository settings) {
        this.settings = settings;
    }

    Optional<Double> said() {
        return settings.get(KEY).map(Double::parseDouble);
    }

    /** As it was said, else as bright as most are for judging prints. */
    public Screen screen() {
        return said().map(Screen::new).orElse(Screen.USUAL);
    }

    /** @throws InvalidRequest when no screen is so */
    void say(double white) {
        if (!(white >= Screen.DARKEST && white <= Screen.BRIGHTEST)) {
            throw new InvalidRequest(InvalidRequest.Reason.OUT_OF_RANGE,
                String.format(Locale.ROOT, "A screen's white has %.0f to %.0f cd/m².", Screen.DARKEST, Screen.BRIGHTEST),
                "Most are set to 80 to 160 for judging prints.");
        }
        settings.put(KEY, Double.toString(white));
    }
}
