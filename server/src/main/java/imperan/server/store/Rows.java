package imperan.server.store;

import java.time.OffsetDateTime;

/** The rows of the tables, as MyBatis fills them; JSON columns as text. */
final class Rows {

    private Rows() {}

    record ShowRow(
            String id, String name, boolean live, long version, OffsetDateTime deletedAt, OffsetDateTime changedAt) {}

    record PartRow(
            String showId,
            String id,
            String parent,
            int ord,
            long version,
            String authorId,
            String authorName,
            String body) {}

    record EditRow(
            String showId,
            long number,
            String authorId,
            String authorName,
            String title,
            String role,
            long roleOf,
            String changes,
            OffsetDateTime at) {}

    record KeepPointRow(long id, long version, String name, String authorName, OffsetDateTime at) {}

    record CuePlaceRow(String listId, String nextId, String lastId) {}

    record TrackPlaceRow(String trackId, double position) {}

    record TargetAwayRow(String targetId, long at) {}

    record SetPlaceRow(String setId, String ready, String onAir) {}

    record ValueRow(String showId, String controlId, String axes, String belief, String movedBy) {}
}
