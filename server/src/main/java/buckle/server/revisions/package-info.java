/** Documents with revisions in PostgreSQL, all kept alike: saved on top of a known save, kept aside when that is stale, never erased. */
@NullMarked
package buckle.server.revisions;

import org.jspecify.annotations.NullMarked;
