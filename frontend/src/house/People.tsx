/** Who belongs to the workshop: roles, and links that let somebody in once. */
import { t } from "../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Copy, KeyRound, UserMinus } from "lucide-react";
import { useState } from "react";
import { api, type EntryLink, type Member, type Role, unwrap } from "../api/client";
import { usePerson } from "../app/person";
import { Button, IconButton, Pick } from "../parts/controls";

type Order =
  | { verb: "invite"; role: Role }
  | { verb: "reset"; member: Member }
  | { verb: "role"; member: Member; role: Role }
  | { verb: "remove"; member: Member };

async function carryOut(order: Order): Promise<EntryLink | null> {
  if (order.verb === "invite")
    return unwrap(await api.POST("/api/members/invite", { body: { role: order.role } }));
  const params = { path: { member_id: order.member.id } };
  if (order.verb === "reset")
    return unwrap(await api.POST("/api/members/{member_id}/reset", { params }));
  const { error, response } =
    order.verb === "role"
      ? await api.POST("/api/members/{member_id}/role", { params, body: { role: order.role } })
      : await api.DELETE("/api/members/{member_id}", { params });
  if (error) unwrap({ error, response });
  return null;
}

export function People() {
  const queries = useQueryClient();
  const owner = usePerson().role === "owner";
  const [role, setRole] = useState<Role>("binder");
  const members = useQuery({
    queryKey: ["members"],
    queryFn: async () => unwrap(await api.GET("/api/members")),
  });
  const order = useMutation({
    mutationFn: carryOut,
    onSettled: () => queries.invalidateQueries({ queryKey: ["members"] }),
  });
  const roles: readonly (readonly [Role, string])[] = [
    ["owner", t("house.owner")],
    ["binder", t("house.binder")],
    ["reader", t("house.reader")],
  ];
  const wordFor = (member: Member) => roles.find(([each]) => each === member.role)?.[1];
  return (
    <div className="w-full space-y-3 text-sm">
      <p className="text-faded">{t("house.whatRolesMay")}</p>
      <ul className="divide-y divide-rule border-y border-rule">
        {members.data?.map((member) => (
          <li key={member.id} className="flex min-h-10 items-center gap-3 py-1">
            <span className="min-w-0 flex-1 truncate">
              {member.name} {member.you && <span className="text-faded">{t("house.you")}</span>}
            </span>
            {owner ? (
              <>
                <Pick
                  label={t("house.roleOf", { name: member.name })}
                  labelHidden
                  value={member.role}
                  options={roles}
                  onChange={(next) => order.mutate({ verb: "role", member, role: next })}
                />
                <IconButton
                  label={t("house.newPasswordFor", { name: member.name })}
                  onClick={() => order.mutate({ verb: "reset", member })}
                >
                  <KeyRound size={16} />
                </IconButton>
                <IconButton
                  label={t("house.removeName", { name: member.name })}
                  onClick={() => {
                    if (window.confirm(t("house.removeSure", { name: member.name })))
                      order.mutate({ verb: "remove", member });
                  }}
                >
                  <UserMinus size={16} />
                </IconButton>
              </>
            ) : (
              <span className="text-faded">{wordFor(member)}</span>
            )}
          </li>
        ))}
      </ul>
      {owner && (
        <div className="flex items-end gap-2">
          <Pick label={t("house.inviteAs")} value={role} options={roles} onChange={setRole} />
          <Button onClick={() => order.mutate({ verb: "invite", role })}>
            {t("house.makeALink")}
          </Button>
        </div>
      )}
      {order.error && (
        <p role="alert" className="text-madder">
          {order.error.message}
        </p>
      )}
      {order.data && <TheLink link={order.data} />}
    </div>
  );
}

/** Shown this once; whoever has it comes in. */
function TheLink({ link }: { link: EntryLink }) {
  const [copied, setCopied] = useState(false);
  return (
    <div role="status" className="rounded border border-rule bg-linen p-2">
      <p className="mb-1">{t("house.handThisOver", { count: link.days })}</p>
      <p className="flex items-center gap-2">
        <code className="min-w-0 flex-1 break-all">{link.address}</code>
        <IconButton
          label={copied ? t("house.copied") : t("house.copyTheLink")}
          onClick={() =>
            void navigator.clipboard.writeText(link.address).then(() => setCopied(true))
          }
        >
          <Copy size={16} />
        </IconButton>
      </p>
    </div>
  );
}
