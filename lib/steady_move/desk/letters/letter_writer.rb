# frozen_string_literal: true

module SteadyMove
  module Desk
    module Letters
      # Letters to support and to contacts: drafted from what the open moves wait for, sent by SMTP
      # or by hand, answered, reminded of.
      class LetterWriter
        # A draft with what it is known by. raw: the whole message (RFC 5322).
        Ready = Struct.new(:draft, :message_id, :steps, :raw, keyword_init: true)
        # How long a contact has to send the word back.
        PROOF_DUE = 2 * 86_400
        DUE = 5 * 86_400
        SIGNS = [*"a".."z", *"2".."9"].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        def sends? = !@ports.sender.nil?

        # One letter for everything that open moves wait to be written to this account for. Returns
        # a Ready, or nil where nothing is.
        # by: who signs; reference, message_id: those of an earlier look at the draft.
        def draft(account_id, by:, reference: nil, message_id: nil)
          account = account(account_id)
          due = waiting(account_id)
          return if due.empty?

          draft =
            Correspondence.write(
              Addressee.of(account, to: support(account)),
              writer: by,
              reference: reference || new_reference,
              parts: parts(due)
            )
          ready(draft, due.map { |move, state| [move.id, state.step.id] }, message_id)
        end

        # A reminder of a letter that is overdue. Raises Refused.
        def reminder(id, by:, message_id: nil)
          old = found(id)
          invalid(:letter_answered) if old[:state] == "answered"
          invalid(:proof_is_sent_anew) if old[:kinds] == ["proof"]

          due = still_due(old)
          invalid(:letter_done) if due.empty?
          account = account(old[:account_id])
          draft =
            Correspondence.remind(
              Addressee.of(account, to: old[:recipient]),
              writer: by,
              reference: old[:reference],
              sent: old[:at],
              subject: old[:subject],
              parts: parts(due)
            )
          ready(draft, due.map { |m, s| [m.id, s.step.id] }, message_id, answers: old[:message_id])
        end

        # Sends a draft, or keeps it as sent by a person's own hand. text: as they changed it, or
        # nil; how: smtp or hand. Raises Refused where it can't be sent.
        def send(ready, account_id:, by:, how:, text: nil, reminds: nil)
          invalid(:no_mail_server) if how == "smtp" && !sends?

          ready = with_text(ready, text) if text
          id =
            keep(
              ready,
              account_id: account_id,
              how: how,
              by: by,
              due_at: @ports.now + DUE,
              reminds: reminds
            )
          deliver(id, ready, how)
          ready.steps.each { |move, step| went_out(move, step, id, ready.draft, by, how) }
          id
        end

        # Sends a word to an address that has to come back. steps: [[move id, step]] that wait for
        # it. Returns [letter id, the word where nothing could be sent]. Raises Refused.
        def prove(address, names:, steps:, by:)
          invalid(:no_address, address: address) unless address.to_s.match?(/\A[^\s@]+@[^\s@]+\z/)

          word = Array.new(3) { Core::Letters::Words::ALL.sample(random: @ports.random) }.join("-")
          draft =
            Correspondence.proof(
              to: address,
              word: word,
              writer: sender_name(by),
              reference: new_reference,
              names: names
            )
          ready = ready(draft, steps, nil)
          how = sends? ? "smtp" : "hand"
          masked = with_text(ready, draft.text.sub(word, Core::Codes::Code.mask(word)))
          id =
            keep(
              masked,
              account_id: nil,
              how: how,
              by: by,
              due_at: @ports.now + PROOF_DUE,
              word: word
            )
          deliver(id, ready, how)
          unless @ports.letters.mailboxes.dig(address.downcase, 0) == "proven"
            @ports.letters.mailbox(address, "asked", at: @ports.now)
          end
          [id, sends? ? nil : word]
        end

        # A letter of which nobody knows whether it left: a person looked. left: it did; else it is
        # written anew. Raises Refused.
        def left(id, left:, by:)
          letter = found(id)
          invalid(:letter_known) unless letter[:state] == "intended"

          @ports.db.transaction do
            left ? @ports.letters.sent(id) : @ports.letters.drop(id)
            letter[:steps].each do |move, step|
              left ? told_left(move, step, letter, by) : told_kept(move, letter, by)
            end
          end
        end

        # Moves' steps that wait for a letter to this account: [[move, StepState]].
        def waiting(account_id, moves = @ports.moves.at(account_id))
          written = pending.flat_map { |l| l[:steps] }
          moves
            .select { |m| m.from_account == account_id || m.to_account == account_id }
            .flat_map do |m|
              due =
                m.state.active.select do |s|
                  to_write?(m, s, account_id) && !written.include?([m.id, s.step.id])
                end
              due.map { |s| [m, s] }
            end
        end

        # Letters that were not answered, and for which a step has become late.
        def overdue(moves = @ports.moves.by_hand)
          late =
            moves.to_h do |m|
              [m.id, m.state.active.select { |s| s.turn == "yours" }.map { |s| s.step.id }]
            end
          pending.select { |l| l[:steps].any? { |move, step| late.fetch(move, []).include?(step) } }
        end

        private

        def found(id) = @ports.letters.find(id) || raise(Refused.new(:unknown, :no_letter, id: id))
        def invalid(key, **values) = raise(Refused.new(:invalid, key, **values))
        def account(id) = @ports.accounts.find(id) || invalid(:no_account, id: id)

        def to_write?(move, state, account_id)
          step = state.step
          step.by_letter? && step.letter && state.turn == "yours" && at(move, step) == account_id
        end

        def still_due(letter)
          moves =
            @ports.moves.find_all(letter[:steps].map(&:first)).select(&:open).to_h { |m| [m.id, m] }
          letter[:steps].filter_map do |id, step|
            (s = moves[id]&.state&.[](step)) && s.active? && [moves[id], s]
          end
        end

        # The newest letters to accounts that were not answered; one that was reminded of counts no
        # more.
        def pending
          open = @ports.letters.unanswered
          reminded = open.filter_map { |l| l[:reminds] }
          open.select { |l| l[:account_id] && !reminded.include?(l[:id]) }
        end

        def at(move, step) = step.place == "gaining" ? move.to_account : move.from_account

        # Kinds in their order, each with its names and details.
        def parts(due)
          due
            .group_by { |m, s| [s.step.letter, details(m, s)] }
            .map { |(kind, details), list| [kind, list.map { |m, _| m.name }, details] }
        end

        def details(move, state) = TypedValues.needed(@ports, move, state.step).last
        def support(account) =
          account.habits["support"] || invalid(:no_support, title: account.title)

        def new_reference
          format(
            "SM-%04d-%s",
            @ports.letters.next_number,
            Array.new(4) { SIGNS.sample(random: @ports.random) }.join
          )
        end

        def from
          if @ports.sender
            @ports.sender.from
          else
            @ports.inboxes.all.first&.endpoint.to_h.fetch(:login, "steady-move@localhost.invalid")
          end
        end

        def sender_name(by) = by == "desk" ? from : by

        def ready(draft, steps, message_id, answers: nil)
          message_id ||=
            "#{draft.reference.downcase}.#{@ports.random.rand(36**8).to_s(36)}@" \
              "#{from.rpartition("@").last}"
          raw =
            Wire::Mail::Eml.write(
              from: from,
              to: draft.to,
              subject: draft.subject,
              text: draft.text,
              at: @ports.now,
              message_id: message_id,
              answers: answers
            )
          Ready.new(draft: draft, message_id: message_id, steps: steps, raw: raw)
        end

        def with_text(ready, text)
          invalid(:letter_empty) if text.strip.empty?

          ready(ready.draft.dup.tap { |d| d.text = text }, ready.steps, ready.message_id)
        end

        def keep(ready, **more)
          @ports.letters.put(
            ready.draft,
            steps: ready.steps,
            message_id: ready.message_id,
            at: @ports.now,
            **more
          )
        end

        # Where the sending fails the letter is taken back; where nobody knows, it stays as about to
        # go out and is not sent twice.
        def deliver(id, ready, how)
          @ports.sender.deliver(ready.raw, to: [ready.draft.to]) if how == "smtp"
          @ports.letters.sent(id)
        rescue Wire::Error => e
          @ports.letters.drop(id)
          invalid(:letter_not_sent, says: e.says)
        end

        # It waits to be written again; nothing of the step has begun.
        def told_kept(move, letter, person)
          values = { by: person, to: letter[:recipient], subject: letter[:subject] }
          @ports.journal.add(
            "letter-kept",
            at: @ports.now,
            by: person,
            move_id: move,
            name: @ports.moves.find(move).name,
            says: Words.phrase("journal.letter_kept", **values)
          )
        end

        def told_left(move, step, letter, person)
          says =
            Words.phrase(
              "journal.letter_left",
              by: person,
              to: letter[:recipient],
              subject: letter[:subject]
            )
          @ports.journal.add(
            "letter",
            at: @ports.now,
            by: person,
            move_id: move,
            name: @ports.moves.find(move).name,
            step: step,
            data: {
              "letter" => letter[:id]
            },
            says: says
          )
        end

        def went_out(id, step, letter, draft, by, how)
          says = Words.phrase("journal.letter_#{how}", to: draft.to, by: by, subject: draft.subject)
          name = @ports.moves.find(id).name
          @ports.journal.add(
            "letter",
            at: @ports.now,
            by: by,
            move_id: id,
            name: name,
            step: step,
            data: {
              "letter" => letter
            },
            says: says
          )
        end
      end
    end
  end
end
