package buckle.server.land;

import buckle.land.Land;
import java.util.UUID;

/**
 * Land to save.
 *
 * @param baseSaveNo save this one builds on
 * @param stretch one sitting at the plan; its saves share a revision
 */
public record LandSave(long baseSaveNo, UUID stretch, Land land) {}
