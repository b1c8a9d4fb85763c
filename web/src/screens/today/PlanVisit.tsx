/** Changing a visit on the day's list: when, whose, what for, what its unit is called; or that it will not be. */
import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useState } from "react";

import { fieldErrors, type FieldError, type Schemas } from "../../api/client";
import { queries } from "../../api/queries";
import { act } from "../../device/act";
import type { Act } from "../../device/store";
import { Button } from "../../shell/controls";
import { Choice, Field, Problem, TextArea, TextInput } from "../../shell/fields";
import { Modal } from "../../shell/Modal";
import { BeganOptions, ComplaintOptions, PeopleOptions } from "./choices";
import { asInput, fromInput } from "../../times";

type Person = Schemas["PersonChoice"];
type Complaint = Schemas["CorrectVisit"]["complaint"];
type Began = Schemas["CorrectVisit"]["began"];

export interface Planned {
  id: string;
  site: string;
  address: string;
  unit: string;
  serial: string;
  scheduled_for: string;
  technician: number;
  complaint: string;
  began: string;
  notes: string;
  cancelled: string;
}

export function PlanVisit({ visit, people, close }: { visit: Planned; people: Person[]; close: () => void }) {
  const [form, setForm] = useState({ ...visit, when: asInput(visit.scheduled_for), reason: "" });
  const [cancelling, setCancelling] = useState(false);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const set = (more: Partial<typeof form>) => setForm({ ...form, ...more });
  const at = (name: string) => errors.find(({ field }) => field === name)?.message;
  const loose = errors.find(({ field }) => !(field in form));

  const all = async (acts: Act[]) => {
    try {
      for (const one of acts) await act(visit.id, one);
      await queries.invalidateQueries({ queryKey: ["today"] });
      void queries.invalidateQueries({ queryKey: ["visit", visit.id] });
      close();
    } catch (problem) {
      setErrors(fieldErrors(problem));
    }
  };
  const save = () => all(changes(visit, form));
  const cancel = () => all([{ kind: "cancel", reason: form.reason }]);

  return (
    <Modal title={`${visit.site}, ${visit.unit}`} close={close}>
      {cancelling ? (
        <>
          <Field label="Why is it cancelled?" problem={at("reason") ?? loose?.message}>
            <TextInput
              maxLength={300}
              value={form.reason}
              onChange={(event) => set({ reason: event.target.value })}
            />
          </Field>
          <Flex gap="3" mt="4" wrap="wrap">
            <Button look="next" onClick={() => void cancel()}>
              Cancel the visit
            </Button>
            <Button onClick={() => setCancelling(false)}>Keep it</Button>
          </Flex>
        </>
      ) : (
        <>
          {visit.cancelled && (
            <Text mb="2">Cancelled: {visit.cancelled}. Saved with a time, it is on again.</Text>
          )}
          <Box display="grid" gap="3" mt="3">
            <Flex gap="3" wrap="wrap">
              <Field label="When" flex="1 1 12rem" problem={at("scheduled_for")}>
                <TextInput
                  type="datetime-local"
                  value={form.when}
                  onChange={(event) => set({ when: event.target.value })}
                />
              </Field>
              <Field label="Technician" flex="1 1 10rem" problem={at("technician")}>
                <Choice
                  value={form.technician}
                  onChange={(event) => set({ technician: Number(event.target.value) })}
                >
                  <PeopleOptions people={people} />
                </Choice>
              </Field>
            </Flex>
            <Flex gap="3" wrap="wrap">
              <Field label="Complaint" flex="1 1 14rem" problem={at("complaint")}>
                <Choice value={form.complaint} onChange={(event) => set({ complaint: event.target.value })}>
                  <ComplaintOptions />
                </Choice>
              </Field>
              <Field label="Began" flex="0 1 10rem">
                <Choice value={form.began} onChange={(event) => set({ began: event.target.value })}>
                  <BeganOptions />
                </Choice>
              </Field>
            </Flex>
            <Field label="Notes for the technician" problem={at("notes")}>
              <TextArea
                rows={2}
                maxLength={2000}
                value={form.notes}
                onChange={(event) => set({ notes: event.target.value })}
              />
            </Field>
            <Flex gap="3" wrap="wrap">
              {UNIT.map(([name, label, most]) => (
                <Field
                  key={name}
                  label={label}
                  flex="1 1 12rem"
                  problem={at(name === "unit" ? "label" : name)}
                >
                  <TextInput
                    maxLength={most}
                    value={form[name]}
                    onChange={(event) => set({ [name]: event.target.value })}
                  />
                </Field>
              ))}
            </Flex>
          </Box>
          <Link asChild color="copper" fontWeight="600" minH="44px" display="inline-flex" alignItems="center">
            <a href={`geo:0,0?q=${encodeURIComponent(form.address)}`}>The address on this phone’s map</a>
          </Link>
          {loose && <Problem id="plan-problem">{loose.message}</Problem>}
          <Flex gap="3" mt="4" wrap="wrap">
            <Button look="next" onClick={() => void save()}>
              Save
            </Button>
            {!visit.cancelled && <Button onClick={() => setCancelling(true)}>Cancel the visit …</Button>}
            <Button look="quiet" onClick={close}>
              Close
            </Button>
          </Flex>
        </>
      )}
    </Modal>
  );
}

const UNIT = [
  ["site", "Site", 120],
  ["address", "Address", 200],
  ["unit", "Unit", 80],
  ["serial", "Serial", 40],
] as const;

/** What was changed, as acts: what stands as it was writes nothing. */
function changes(visit: Planned, form: Planned & { when: string }): Act[] {
  const when = fromInput(form.when);
  const acts: Act[] = [];
  if (
    when !== "" &&
    (form.when !== asInput(visit.scheduled_for) || form.technician !== visit.technician || visit.cancelled)
  )
    acts.push({ kind: "plan", scheduled_for: when, technician: form.technician });
  if (form.complaint !== visit.complaint || form.began !== visit.began || form.notes !== visit.notes)
    acts.push({
      kind: "correct",
      complaint: form.complaint as Complaint,
      began: form.began as Began,
      notes: form.notes,
    });
  if (UNIT.some(([name]) => form[name] !== visit[name]))
    acts.push({
      kind: "correct-unit",
      site: form.site,
      address: form.address,
      label: form.unit,
      serial: form.serial,
    });
  return acts;
}
