import { auth } from "@/server/auth";
import { guarded } from "@/server/respond";

const handler = (request: Request) => guarded(() => auth().handler(request));
export { handler as GET, handler as POST };
