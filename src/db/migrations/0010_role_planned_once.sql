-- Asked by the policy of every table in every query: in this language its plan is kept for the connection, in SQL it is made anew each time.
CREATE OR REPLACE FUNCTION "studio"."own_role"() RETURNS text LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = pg_catalog AS $$
BEGIN
  RETURN (SELECT m.role FROM studio.member m WHERE m.studio_id = studio.current_studio() AND m.id = studio.current_member());
END
$$;
