package wistel.server.display;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.transform.DisplayProfile;
import wistel.server.store.Hash;

/** Profiles of people's own screens. */
@RestController
@RequestMapping("/api/displays")
class DisplayController {
    private final DisplayRepository displays;

    DisplayController(DisplayRepository displays) {
        this.displays = displays;
    }

    @GetMapping
    List<DisplayRepository.OwnDisplay> all() {
        return displays.own();
    }

    /** An ICC profile as it is. */
    @PostMapping(consumes = "!application/x-www-form-urlencoded")
    @ResponseStatus(HttpStatus.CREATED)
    DisplayRepository.OwnDisplay add(@Parameter(hidden = true) HttpServletRequest request) throws IOException {
        return displays.add(DisplayProfile.checked(ProfileReader.read(request.getInputStream())));
    }

    @DeleteMapping("/{hash}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable Hash hash) {
        displays.remove(hash.hex());
    }
}
