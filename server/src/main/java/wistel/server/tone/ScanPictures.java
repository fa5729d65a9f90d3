package wistel.server.tone;

import org.springframework.stereotype.Component;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.ProfileException;
import wistel.core.icc.profile.IccProfile;
import wistel.core.icc.profile.ProfileReader;
import wistel.core.icc.profile.StandardSpaces;
import wistel.core.icc.transform.Recipe;
import wistel.core.icc.transform.TransformCompiler;
import wistel.core.pictures.Histogram;
import wistel.core.pictures.PictureFacts;
import wistel.core.pictures.PictureFile;
import wistel.core.pictures.View;
import wistel.core.render.PictureLight;
import wistel.server.master.PixelExecutor;
import wistel.server.store.FileStore;

/** Scans that a flatbed made, as L*a*b* by the profile that they bring; by sRGB, or gray with gamma 2.2, where they bring none. */
@Component
class ScanPictures {
    private static final int LONGEST = 3600;
    private static final long MOST_PIXELS = 200_000_000;

    private final FileStore files;
    private final PixelExecutor workers;

    ScanPictures(FileStore files, PixelExecutor workers) {
        this.files = files;
        this.workers = workers;
    }

    /** Bytes at a file's start by which pictures are told from text. */
    static final int TOLD_BY = 8;

    /** By their first bytes: TIFF, PNG, JPEG. */
    static boolean isPicture(byte[] file) {
        if (file.length < TOLD_BY) {
            return false;
        }
        int start = (file[0] & 255) << 24 | (file[1] & 255) << 16 | (file[2] & 255) << 8 | file[3] & 255;
        return start == 0x49492A00 || start == 0x4D4D002A || start == 0x49492B00 || start == 0x4D4D002B || start == 0x89504E47
            || start >>> 8 == 0xFFD8FF;
    }

    View lab(String hash) {
        PictureFile file = PictureFile.open(files.image(hash));
        PictureFacts facts = file.facts();
        if ((long) facts.width() * facts.height() > MOST_PIXELS) {
            throw new InvalidRequest(InvalidRequest.Reason.FILE_TOO_LARGE,
                "This scan has more than " + MOST_PIXELS / 1_000_000 + " million pixels.", "Scan the wedge at 150 to 300 dpi.");
        }
        IccProfile profile = profile(facts);
        View view = View.fitting(file.rows(), LONGEST, PictureLight.of(profile), new Histogram.Counter(facts.channels()),
            workers.executor());
        return new View(view.width(), view.height(), 3,
            TransformCompiler.compile(new Recipe.DeviceToLab(profile, false)).apply(view.pixels()));
    }

    private static IccProfile profile(PictureFacts facts) {
        try {
            IccProfile own = facts.profile().length == 0 ? StandardSpaces.assumedFor(facts.channels())
                : ProfileReader.read(facts.profile());
            return own.space().channels() == facts.channels() ? own : StandardSpaces.assumedFor(facts.channels());
        } catch (ProfileException e) {
            return StandardSpaces.assumedFor(facts.channels());
        }
    }
}
