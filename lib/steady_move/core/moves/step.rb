# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # One step of a move, as declared in steps/ and as it stands in a plan.
      # family: whose declaration and act it shares with others, nil where they are its own; order:
      # its place in the usual order; rail: registration or records; actor: yours, theirs or
      # clock (the desk acts, or only time passes); needs: ids that must be done before; takes:
      # seconds [least, usual, most]; estimate: which of a plan's own estimates rules over that;
      # option: that must be set in the plan; except: none of which may be; act: of Channels, where
      # a registrar's habit decides how it is done, and place: where that is (losing, gaining,
      # service, contact); ways: {way => Way}; way: the plan's; letter: what a letter asks for
      # (Letters); talks_to: losing, gaining, record, dns or desk; undo: the steps that take it
      # back; eased: [option, what it needs with that]; adds, spares: [[option,
      # what it needs with that as well, or doesn't need]];
      # early: begins without waiting for what its
      # left-out needs would wait for; ending: only after a move that didn't land; traits: what is
      # special about it (TRAITS).
      Step =
        Struct.new(
          :id,
          :family,
          :order,
          :rail,
          :stage,
          :actor,
          :needs,
          :takes,
          :estimate,
          :option,
          :except,
          :act,
          :place,
          :ways,
          :way,
          :letter,
          :talks_to,
          :undo,
          :eased,
          :adds,
          :spares,
          :early,
          :ending,
          :traits,
          keyword_init: true
        ) do
          # Declares a step; the block speaks the words of Declaration.
          def self.declare(id, &words)
            Declaration.new(id).tap { |d| d.instance_exec(&words) }.step
          end

          # Does a person do it, or write for it, and the desk only proves it?
          def by_hand? = !(way.nil? || way == "connection" || way == "none")
          # Can nobody do it, so that only time does?
          def by_time? = way == "none"
          def by_letter? = by_hand? && way == "letter"
          # Whose turn it is when nothing went wrong: what nobody does is software's, or time's
          # alone.
          def turn = actor == "clock" && !by_time? && !trait?(:time) ? "desk" : actor
          # Does it only go on while people are at work?
          def business_days? = by_letter? || trait?(:papers)
          # The name of the proof that shows it from outside where it is done by hand; nil where its
          # act looks by itself.
          def proof = by_hand? ? ways[way]&.proof : nil
          def trait?(trait) = traits.include?(trait)
          # The same step with other members; a step itself never changes.
          def with(**members) = self.class.new(**to_h, **members).freeze

          # The name of its declaration and of its act.
          def unit = family || id

          def inspect = "#<Step #{id}>"

          # What is kept of it in a plan.
          def to_plan
            {
              id: id,
              rail: rail,
              stage: stage,
              actor: actor,
              needs: needs,
              takes: takes,
              way: way,
              place: place
            }
          end
        end

      # How a step can be done. proof: name of what shows it from outside; takes: seconds, where
      # this way has its own.
      Step::Way = Struct.new(:proof, :takes)

      Step::TRAITS = {
        consent: "the owner's consent is recorded in it",
        approval: "a person approves it at the desk",
        code: "it brings the authorization code, and is done anew for another",
        code_check: "it looks at that code",
        paste: "a code is pasted in it",
        types_half: "half of a code that its email holds is typed in it",
        types_code: "the authorization code is typed in it",
        reason: "a reason may be asked for in it",
        servers: "the new name servers are typed in it",
        servers_back: "the old name servers are typed in it",
        ds_new: "the new host's DS are typed in it",
        ds_old: "the DS that was taken away is typed in it",
        asks_back: "a word goes out and has to come back",
        exposes: "with it the contacts are public",
        covers: "with it they no longer are",
        lock:
          "it waits for the lock to be gone, and is done anew where the registry still holds it",
        records: "it fetches the records",
        sheet: "a person does it with the records' sheet",
        ds_gone: "with it the DS leaves the registry",
        caches: "it waits until caches have forgotten the old host",
        time: "only time does it",
        lowers: "it lowers the TTLs at the old host",
        new_servers: "a person tells the new name servers in it",
        keeps_zone: "with it a copy of the zone is taken",
        orders: "with it money is spent and the transfer asked for",
        renews: "with it money is spent on a year at the losing side",
        confirms: "the gaining side wants the order confirmed in it",
        tells_end: "a person can say how it ended in it",
        refusable: "the gaining side may refuse in it; a person says why",
        word: "a person's word is all there is",
        hands_over: "the code is handed to the new holder in it",
        settings: "what nobody can see from outside is looked at in it",
        tag: "the gaining registrar's tag is typed in it",
        papers: "somebody looks at papers in it",
        lands: "with it the name is held at the gaining side",
        settles: "with it the move is settled",
        waivable: "a person can leave it as it is, with a reason"
      }.freeze
    end
  end
end
