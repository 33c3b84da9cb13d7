package imperan.server.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The SQL of shows. */
@Mapper
interface ShowMapper {

    @Select(
            """
            select s.id, s.name, s.live, s.version, s.deleted_at,
                   coalesce((select max(e.at) from edit e where e.show_id = s.id), s.created_at) as changed_at
            from show s order by s.created_at, s.id""")
    List<Rows.ShowRow> shows();

    @Select(
            """
            select s.id, s.name, s.live, s.version, s.deleted_at,
                   coalesce((select max(e.at) from edit e where e.show_id = s.id), s.created_at) as changed_at
            from show s where s.id = #{id}""")
    Optional<Rows.ShowRow> show(@Param("id") String id);

    @Update("update show set name = #{name} where id = #{id}")
    int renameShow(@Param("id") String id, @Param("name") String name);

    @Update("update show set deleted_at = case when #{deleted} then now() end where id = #{id} and not live")
    int setDeleted(@Param("id") String id, @Param("deleted") boolean deleted);

    @Update("update show set live = false where live")
    void noneLive();

    @Update("update show set live = true where id = #{id} and deleted_at is null")
    int setLive(@Param("id") String id);

    @Delete("delete from show where deleted_at < now() - make_interval(days => #{days})")
    void forgetDeleted(@Param("days") int days);

    @Select(
            """
            select id, version, name, author_name, at from keep_point
            where show_id = #{showId} order by id desc""")
    List<Rows.KeepPointRow> keepPoints(@Param("showId") String showId);

    @Insert(
            """
            insert into keep_point (show_id, version, name, author_name)
            values (#{showId}, #{version}, #{name}, #{authorName})""")
    void insertKeepPoint(
            @Param("showId") String showId,
            @Param("version") long version,
            @Param("name") String name,
            @Param("authorName") String authorName);

    @Select(
            """
            select s.id as show_id, s.name as show_name, p.id as book_id, p.name as book_name
            from part p join show s on s.id = p.show_id
            where p.kind = 'phrasebook' and s.id <> #{showId} and s.deleted_at is null order by s.name, p.name, s.id, p.id""")
    List<ShowStore.BookElsewhere> booksElsewhere(@Param("showId") String showId);

    @Insert("insert into show (id, name, live) values (#{id}, #{name}, #{live})")
    void insertShow(@Param("id") String id, @Param("name") String name, @Param("live") boolean live);

    @Update("update show set version = #{version} where id = #{id}")
    void setVersion(@Param("id") String id, @Param("version") long version);

    @Select(
            """
            select show_id, id, parent, ord, version, author_id, author_name, body::text as body
            from part where show_id = #{showId}""")
    List<Rows.PartRow> parts(@Param("showId") String showId);

    /** @param rows JSON: {@code [{id, parent, ord, body}]} */
    @Insert(
            """
            insert into part (show_id, id, parent, ord, version, author_id, author_name, body)
            select #{showId}, row.id, row.parent, row.ord, #{version}, #{authorId}, #{authorName}, row.body
            from jsonb_to_recordset(#{rows}::jsonb) as row(id text, parent text, ord integer, body jsonb)
            on conflict (show_id, id) do update set parent = excluded.parent, ord = excluded.ord,
                version = excluded.version, author_id = excluded.author_id, author_name = excluded.author_name,
                body = excluded.body""")
    void putParts(
            @Param("showId") String showId,
            @Param("version") long version,
            @Param("authorId") String authorId,
            @Param("authorName") String authorName,
            @Param("rows") String rows);

    /**
     * As an array, which is made once: a subquery was read anew for each row where the database did not know yet how many there are, and ten thousand took longer
     * than a statement may.
     *
     * @param ids JSON: a list of texts
     */
    @Delete(
            "delete from part where show_id = #{showId} and id = any(array(select jsonb_array_elements_text(#{ids}::jsonb)))")
    void removeParts(@Param("showId") String showId, @Param("ids") String ids);

    /** It stays until the transaction ends; empty where it is gone. */
    @Select("select id from show where id = #{showId} for key share")
    Optional<String> hold(@Param("showId") String showId);

    @Delete("delete from show where id = #{showId} and not live")
    void erase(@Param("showId") String showId);

    @Insert(
            """
            insert into edit (show_id, number, author_id, author_name, title, role, role_of, changes)
            values (#{showId}, #{number}, #{authorId}, #{authorName}, #{title}, #{role}, #{roleOf},
                    #{changes}::jsonb)""")
    void insertEdit(
            @Param("showId") String showId,
            @Param("number") long number,
            @Param("authorId") String authorId,
            @Param("authorName") String authorName,
            @Param("title") String title,
            @Param("role") String role,
            @Param("roleOf") long roleOf,
            @Param("changes") String changes);

    @Select(
            """
            select show_id, number, author_id, author_name, title, role, role_of, changes::text as changes, at
            from edit where show_id = #{showId} and number between #{from} and #{to} order by number""")
    List<Rows.EditRow> edits(@Param("showId") String showId, @Param("from") long from, @Param("to") long to);

    /** The parts of a show as they stand are its snapshot at this version. */
    @Insert(
            """
            insert into snapshot (show_id, version, parts)
            select #{showId}, #{version}, coalesce(jsonb_agg(jsonb_build_object('id', id, 'parent', parent, 'ord', ord, 'version', version,
                'author_id', author_id, 'author_name', author_name, 'body', body)), '[]')
            from part where show_id = #{showId}
            on conflict do nothing""")
    void insertSnapshot(@Param("showId") String showId, @Param("version") long version);

    @Select("select max(version) from snapshot where show_id = #{showId} and version <= #{atMost}")
    Optional<Long> newestSnapshot(@Param("showId") String showId, @Param("atMost") long atMost);

    @Select(
            """
            select s.show_id, row.id, row.parent, row.ord, row.version, row.author_id, row.author_name, row.body::text as body
            from snapshot s, jsonb_to_recordset(s.parts) as row(id text, parent text, ord integer, version bigint, author_id text, author_name text, body jsonb)
            where s.show_id = #{showId} and s.version = #{version}""")
    List<Rows.PartRow> snapshotParts(@Param("showId") String showId, @Param("version") long version);

    @Select(
            "select coalesce(sum(jsonb_array_length(changes)), 0) from edit where show_id = #{showId} and number > #{after}")
    long changesAfter(@Param("showId") String showId, @Param("after") long after);

    @Select(
            """
            select show_id, number, author_id, '' as author_name, '' as title, role, role_of, '[]' as changes, at
            from edit where show_id = #{showId} and number <= #{to} order by number""")
    List<Rows.EditRow> pastEdits(@Param("showId") String showId, @Param("to") long to);

    @Select(
            """
            select show_id, number, author_id, author_name, title, role, role_of, '[]' as changes, at
            from edit where show_id = #{showId} and number < #{before} order by number desc limit #{most}""")
    List<Rows.EditRow> newestEdits(
            @Param("showId") String showId, @Param("before") long before, @Param("most") int most);

    @Select(
            """
            select show_id, control_id, axes::text as axes, belief, moved_by from control_value
            where show_id = #{showId} order by control_id""")
    List<Rows.ValueRow> values(@Param("showId") String showId);

    @Insert(
            """
            insert into control_value (show_id, control_id, axes, belief, moved_by)
            values (#{showId}, #{controlId}, #{axes}::jsonb, #{belief}, #{movedBy})
            on conflict (show_id, control_id) do update set axes = excluded.axes, belief = excluded.belief, moved_by = excluded.moved_by""")
    void putValue(Rows.ValueRow row);

    @Select("select list_id, next_id, last_id from cue_place where show_id = #{showId} order by list_id")
    List<Rows.CuePlaceRow> cuePlaces(@Param("showId") String showId);

    @Insert(
            """
            insert into cue_place (show_id, list_id, next_id, last_id) values (#{showId}, #{listId}, #{nextId}, #{lastId})
            on conflict (show_id, list_id) do update set next_id = excluded.next_id, last_id = excluded.last_id""")
    void putCuePlace(
            @Param("showId") String showId,
            @Param("listId") String listId,
            @Param("nextId") String nextId,
            @Param("lastId") String lastId);

    @Select("select target_id, at from target_away where show_id = #{showId} order by target_id")
    List<Rows.TargetAwayRow> targetsAway(@Param("showId") String showId);

    @Insert(
            """
            insert into target_away (show_id, target_id, at) values (#{showId}, #{targetId}, #{at})
            on conflict (show_id, target_id) do update set at = excluded.at""")
    void putTargetAway(@Param("showId") String showId, @Param("targetId") String targetId, @Param("at") long at);

    @Select("select track_id, position from track_place where show_id = #{showId} order by track_id")
    List<Rows.TrackPlaceRow> trackPlaces(@Param("showId") String showId);

    @Insert(
            """
            insert into track_place (show_id, track_id, position) values (#{showId}, #{trackId}, #{position})
            on conflict (show_id, track_id) do update set position = excluded.position""")
    void putTrackPlace(
            @Param("showId") String showId, @Param("trackId") String trackId, @Param("position") double position);

    @Select("select set_id, ready, on_air from set_place where show_id = #{showId} order by set_id")
    List<Rows.SetPlaceRow> setPlaces(@Param("showId") String showId);

    @Insert(
            """
            insert into set_place (show_id, set_id, ready, on_air) values (#{showId}, #{setId}, #{ready}, #{onAir})
            on conflict (show_id, set_id) do update set ready = excluded.ready, on_air = excluded.on_air""")
    void putSetPlace(
            @Param("showId") String showId,
            @Param("setId") String setId,
            @Param("ready") String ready,
            @Param("onAir") String onAir);

    @Insert(
            """
            insert into browser (id, name) values (#{id}, #{name})
            on conflict (id) do update set name = excluded.name""")
    void putBrowser(@Param("id") String id, @Param("name") String name);

    @Select("select name from browser where id = #{id}")
    Optional<String> browserName(@Param("id") String id);
}
