package buckle.layout;

import buckle.power.Battery;
import buckle.site.FenceLine;
import buckle.site.Season;
import buckle.spec.FenceSpec;
import java.util.Optional;

/** What a line meets that does not stand all the year. */
final class Seasons {
    private static final double FREEZING_C = 0;

    private Seasons() {}

    /** Cold and ice of the months it stands in. */
    static FenceSpec.Climate climate(FenceSpec.Climate year, FenceLine line) {
        Optional<Season> season = line.book().season();
        if (season.isEmpty()) {
            return year;
        }
        double latitude = line.corners().getFirst().at().latDeg();
        double cold =
                Battery.coldestC(new Battery.Climate(latitude, year.coldC(), year.warmC()), season.get()::standsIn);
        double coldest = Math.min(year.buildC(), Math.max(year.coldC(), cold));
        return year.withColdC(coldest).withIceM(coldest > FREEZING_C ? 0 : year.iceM());
    }
}
