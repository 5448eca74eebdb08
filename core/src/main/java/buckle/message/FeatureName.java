package buckle.message;

import buckle.land.LandFeature;
import buckle.land.LandKind;

/** A feature of the property, by the name somebody gave it, otherwise by its kind. */
public record FeatureName(LandKind kind, String name) {
    /** Of a feature, by its name or else its kind. */
    public static FeatureName of(LandFeature feature) {
        return new FeatureName(feature.kind(), feature.name());
    }
}
