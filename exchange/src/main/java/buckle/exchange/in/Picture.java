package buckle.exchange.in;

import buckle.exchange.Limits;
import buckle.site.BadInput;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * A photo or scan: PNG or JPEG, looked at without unpacking it whole.
 *
 * @param mediaType {@code image/png} or {@code image/jpeg}, by its contents
 */
public record Picture(String mediaType, int widthPx, int heightPx) {
    private static final long MOST_PIXELS = 100_000_000;
    private static final int LOOK_PX = 64;

    public static Picture look(byte[] bytes) {
        Limits.checkSize(bytes.length);
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw notOne();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                return look(reader);
            } finally {
                reader.dispose();
            }
        } catch (IOException | IndexOutOfBoundsException | IllegalArgumentException e) {
            throw notOne();
        }
    }

    private static Picture look(ImageReader reader) throws IOException {
        String format = reader.getFormatName().toLowerCase(Locale.ROOT);
        if (!format.equals("png") && !format.equals("jpeg")) {
            throw notOne();
        }
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS || width < 2 || height < 2) {
            throw new BadInput(
                    "picture.too-large",
                    "file",
                    "The picture says it is " + width + " × " + height
                            + " pixels; at most 100 million are shown. Nothing was stored.");
        }
        // Reading a few of its pixels tells a picture from a file that only begins like one.
        ImageReadParam few = reader.getDefaultReadParam();
        few.setSourceSubsampling(Math.max(1, width / LOOK_PX), Math.max(1, height / LOOK_PX), 0, 0);
        BufferedImage looked = reader.read(0, few);
        return new Picture(looked == null ? "" : "image/" + format, width, height);
    }

    private static BadInput notOne() {
        return new BadInput(
                "picture.none", "file", "This is no PNG or JPEG picture that can be shown. Nothing was stored.");
    }
}
