# frozen_string_literal: true

module SteadyMove
  module Desk
    # Letters to support and to contacts: drafted from what the open moves wait for, sent by SMTP or by hand, answered, reminded of.
    class Letters
      # What can't be written or sent; says why.
      class Invalid < StandardError; end

      # A draft with what it is known by. raw: the whole message (RFC 5322).
      Ready = Struct.new(:draft, :message_id, :steps, :raw, keyword_init: true)
      Writer = Core::Letters::Writer
      # How long a contact has to send the word back.
      PROOF_DUE = 2 * 86_400
      DUE = 5 * 86_400

      def initialize(app)
        @app = app
      end

      def sends? = !@app.sender.nil?

      # One letter for everything that open moves wait to be written to this account for. Returns a Ready, or nil where nothing is.
      # by: who signs; reference, message_id: those of an earlier look at the draft.
      def draft(account_id, by:, reference: nil, message_id: nil)
        account = @app.accounts.find(account_id) or raise Invalid, "there is no account “#{account_id}”"
        due = waiting(account_id)
        return if due.empty?

        ready(Writer.write(to: support(account), title: account.title, login: account.habits["login"], writer: by, reference: reference || new_reference, parts: parts(due)),
              due.map { |move, state| [move.id, state.step.id] }, message_id)
      end

      # A reminder of a letter that is overdue.
      def reminder(id, by:, message_id: nil)
        old = @app.letters.find(id) or raise Invalid, "there is no letter number #{id}"
        raise Invalid, "that letter was answered" if old[:state] == "answered"
        raise Invalid, "a word that did not come back is sent anew under the name's contacts" if old[:kinds] == ["proof"]

        account = @app.accounts.find(old[:account_id])
        moves = @app.moves.open.to_h { |m| [m.id, m] }
        due = old[:steps].filter_map { |id, step| (s = moves[id]&.state&.[](step)) && s.active? && [moves[id], s] }
        raise Invalid, "all that it asked for is done" if due.empty?

        draft = Writer.remind(to: old[:recipient], title: account.title, login: account.habits["login"], writer: by, reference: old[:reference], sent: old[:at], subject: old[:subject], parts: parts(due))
        ready(draft, due.map { |m, s| [m.id, s.step.id] }, message_id, answers: old[:message_id])
      end

      # Sends a draft, or keeps it as sent by a person's own hand. text: as they changed it, or nil; how: smtp or hand. Raises Invalid where it can't be sent.
      def send(ready, account_id:, by:, how:, text: nil, reminds: nil)
        raise Invalid, "no mail server is set up for sending; send it yourself, or set one under Accounts" if how == "smtp" && !sends?

        ready = with_text(ready, text) if text
        id = @app.letters.put(ready.draft, account_id: account_id, steps: ready.steps, message_id: ready.message_id, how: how, by: by, at: @app.now, due_at: @app.now + DUE, reminds: reminds)
        deliver(id, ready, how)
        ready.steps.each { |move, step| went_out(move, step, id, ready.draft, by, how) }
        id
      end

      # Sends a word to an address that has to come back. steps: [[move id, step]] that wait for it. Returns [letter id, the word where nothing could be sent].
      def prove(address, names:, steps:, by:)
        raise Invalid, "“#{address}” is no address" unless address.to_s.match?(/\A[^\s@]+@[^\s@]+\z/)

        word = Array.new(3) { Core::Letters::Words::ALL.sample(random: @app.random) }.join("-")
        ready = ready(Writer.proof(to: address, word: word, writer: sender_name(by), reference: new_reference, names: names), steps, nil)
        id = @app.letters.put(with_text(ready, ready.draft.text.sub(word, "••••••••")).draft, account_id: nil, steps: steps, message_id: ready.message_id, how: sends? ? "smtp" : "hand", by: by, at: @app.now,
                                                                                     due_at: @app.now + PROOF_DUE, word: word)
        deliver(id, ready, sends? ? "smtp" : "hand")
        @app.letters.mailbox(address, "asked", at: @app.now) unless @app.letters.mailboxes.dig(address.downcase, 0) == "proven"
        [id, sends? ? nil : word]
      end

      # Moves' steps that wait for a letter to this account: [[move, StepState]].
      def waiting(account_id, moves = @app.moves.open)
        written = pending.flat_map { |l| l[:steps] }
        moves.select { |m| m.from_account == account_id || m.to_account == account_id }.flat_map do |m|
          m.state.active.select { |s| s.step.by_letter? && s.step.letter && s.turn == "yours" && at(m, s.step) == account_id && !written.include?([m.id, s.step.id]) }.map { |s| [m, s] }
        end
      end

      # Letters that were not answered, and for which a step has become late.
      def overdue(moves = @app.moves.open)
        late = moves.to_h { |m| [m.id, m.state.active.select { |s| s.turn == "yours" }.map { |s| s.step.id }] }
        pending.select { |l| l[:steps].any? { |move, step| late.fetch(move, []).include?(step) } }
      end

      private

      # The newest letters to accounts that were not answered; one that was reminded of counts no more.
      def pending
        reminded = @app.letters.all.filter_map { |l| l[:reminds] }
        @app.letters.all.select { |l| l[:account_id] && l[:state] != "answered" && !reminded.include?(l[:id]) }
      end

      def at(move, step) = step.place == "gaining" ? move.to_account : move.from_account

      # Kinds in their order, each with its names and details.
      def parts(due)
        due.group_by { |m, s| [s.step.letter, details(m, s)] }.map { |(kind, details), list| [kind, list.map { |m, _| m.name }, details] }
      end

      def details(move, state) = state.step.letter == "name-servers" ? move.plan.name_servers : []

      def support(account)
        account.habits["support"] || raise(Invalid, "#{account.title} has no support address; set it under Accounts")
      end

      def new_reference = format("SM-%04d-%s", @app.letters.next_number, Array.new(4) { [*"a".."z", *"2".."9"].sample(random: @app.random) }.join)
      def from = @app.sender ? @app.sender.from : (@app.settings.places.mailbox || {}).fetch(:login, "steady-move@localhost.invalid")
      def sender_name(by) = by == "desk" ? from : by

      def ready(draft, steps, message_id, answers: nil)
        message_id ||= "#{draft.reference.downcase}.#{@app.random.rand(36**8).to_s(36)}@#{from.rpartition('@').last}"
        Ready.new(draft: draft, message_id: message_id, steps: steps, raw: Wire::Mail::Eml.write(from: from, to: draft.to, subject: draft.subject, text: draft.text, at: @app.now, message_id: message_id, answers: answers))
      end

      def with_text(ready, text)
        raise Invalid, "the letter is empty" if text.strip.empty?

        ready(ready.draft.dup.tap { |d| d.text = text }, ready.steps, ready.message_id)
      end

      # Where the sending fails the letter is taken back; where nobody knows, it stays as about to go out and is not sent twice.
      def deliver(id, ready, how)
        @app.sender.deliver(ready.raw, to: [ready.draft.to]) if how == "smtp"
        @app.letters.sent(id)
      rescue Wire::Error => e
        @app.letters.drop(id)
        raise Invalid, "the letter was not sent: #{e.says}"
      end

      def went_out(id, step, letter, draft, by, how)
        move = @app.moves.find(id)
        @app.journal.add("letter", at: @app.now, by: by, move_id: id, name: move.name, step: step, data: { "letter" => letter },
                                   says: "A letter went to #{draft.to} (#{how == 'smtp' ? "sent by the desk for #{by}" : "sent by #{by}"}): “#{draft.subject}”.")
        @app.moves.due_now(id, at: @app.now)
      end
    end
  end
end
