-- Who is signed in is asked by every request before it may ask for anything else: one query, by the role that knows sign-in alone,
-- of the one person named. Of the studio it tells what stands in the header.
CREATE FUNCTION "auth"."member_of"(p_user uuid) RETURNS TABLE (studio_id uuid, name text, role text, studio_name text, time_zone text)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
  SELECT m.studio_id, m.name, m.role, s.name, s.time_zone
  FROM auth."user" u
  JOIN studio.member m ON m.studio_id = u.studio_id AND m.id = u.id
  JOIN studio.studio s ON s.studio_id = m.studio_id
  WHERE u.id = p_user
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION "auth"."member_of"(uuid) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION "auth"."member_of"(uuid) TO ivy_auth;
