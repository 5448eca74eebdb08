package buckle.site;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.sf.geographiclib.Geodesic;
import org.junit.jupiter.api.Test;

class LocalPlaneTest {
    /** Source: GeographicLib (Karney 2013), geodesic distance on WGS 84. */
    @Property(tries = 300)
    void distancesAgreeWithGeodesics(
            @ForAll @DoubleRange(min = -180, max = 180) double lon,
            @ForAll @DoubleRange(min = -75, max = 75) double lat,
            @ForAll @DoubleRange(min = -180, max = 180) double azimuthDeg,
            @ForAll @DoubleRange(min = 1, max = 5000) double distanceM) {
        var direct = Geodesic.WGS84.Direct(lat, lon, azimuthDeg, distanceM);
        LocalPlane plane = LocalPlane.around(List.of(GeoPoint.of(lon, lat), GeoPoint.of(direct.lon2, direct.lat2)));
        double onPlane =
                plane.toPlane(GeoPoint.of(lon, lat)).distanceM(plane.toPlane(GeoPoint.of(direct.lon2, direct.lat2)));
        assertThat(onPlane).isCloseTo(distanceM, within(1e-3 + distanceM * 1e-7));
    }

    @Property(tries = 300)
    void placesComeBackFromThePlane(
            @ForAll @DoubleRange(min = -180, max = 180) double lon,
            @ForAll @DoubleRange(min = -85, max = 85) double lat,
            @ForAll @DoubleRange(min = -20000, max = 20000) double eastM,
            @ForAll @DoubleRange(min = -20000, max = 20000) double northM) {
        LocalPlane plane = new LocalPlane(GeoPoint.of(lon, lat));
        PlanePoint back = plane.toPlane(plane.toGeo(new PlanePoint(eastM, northM)));
        assertThat(back.eastM()).isCloseTo(eastM, within(1e-5));
        assertThat(back.northM()).isCloseTo(northM, within(1e-5));
    }

    @Test
    void eastIsEastAndNorthIsNorthAcrossTheDateLine() {
        LocalPlane plane = LocalPlane.around(List.of(GeoPoint.of(179.999, -17), GeoPoint.of(-179.999, -17)));
        PlanePoint west = plane.toPlane(GeoPoint.of(179.999, -17));
        PlanePoint east = plane.toPlane(GeoPoint.of(-179.999, -17));
        double truth = Geodesic.WGS84.Inverse(-17, 179.999, -17, -179.999).s12;
        assertThat(east.eastM() - west.eastM()).isCloseTo(truth, within(0.001));
        assertThat(plane.toPlane(GeoPoint.of(180, -16.999)).northM()).isPositive();
        assertThat(Math.abs(plane.origin().lonDeg())).isCloseTo(180, within(1e-9));
    }
}
