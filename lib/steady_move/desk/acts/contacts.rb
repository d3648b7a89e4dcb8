# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # Steps about the people behind a name: is their mailbox read, do they consent, does the public record show them.
      module Contacts
        module_function

        # The address shown is there, and not the privacy service's.
        def readable?(record, account) = !record.registrant_email.to_s.empty? && !account.stands_in?(record.registrant_email)

        def consent(job)
          given = job.state.consent
          return job.done("#{given['given_by']} consents to #{given['shown'].join(', ')} being public until #{job.mark(given['until'])}.", source: "the owner's word, kept in the journal") if given

          job.wait("Before the privacy service goes off, the owner's consent has to be recorded: who gave it, and until when the contacts may be public.", source: "desk", look_at: job.app.now + 86_400)
        end

        def shown(job)
          record = job.public_record
          Observe.new(job.app).name(job.name, job.losing) if readable?(record, job.losing)
          return job.done("The public record shows the holder's own contacts; they are public from now on.", source: "public record", ref: record.url) if readable?(record, job.losing)

          waited = job.app.now - job.step_state.since
          job.wait("The public record still shows the privacy service. It usually takes 15 minutes, at most an hour.", source: "public record", ref: record.url, look_at: job.app.now + [900 - waited, 300].max)
        end

        # A word goes to the address that the registrar will write to, and has to come back. Sent once; a letter that may have gone out counts
        # as sent until it is late.
        def prove(job)
          address = Instructions.contact(job.app, job.move) or return job.problem("No address is known that the registrar writes to; note the registrant's e-mail.", source: "desk", yours: true)
          state, at = job.app.letters.mailboxes[address.downcase]
          source = "the desk's mailbox"
          return job.done("#{address} is read: the word that was sent there came back at #{job.mark(Time.at(at).utc)}.", source: source) if state == "proven"
          return job.problem("#{address} can't be reached: the mail came back. See under the name's contacts what can be done, with what it would block.", source: source, yours: true, look_at: job.app.now + 3600) if state == "bounced"

          letter = job.app.letters.of_step(job.move.id, job.step, to: address)
          letter ? answered?(job, address, letter, source) : first(job, address, source)
        end

        def first(job, address, source)
          return job.wait("A word has to be sent to #{address} and come back. No mail server is set up for sending, so send the letter yourself.", source: source, look_at: job.app.now + ByHand::UNASKED) if job.by_hand?

          job.intend("Sending a word to #{address}.") { Letters.new(job.app).prove(address, names: [job.plan.name], steps: [[job.move.id, job.step]], by: "desk") }
          job.wait("A word was sent to #{address}; somebody has to send it back.", source: source, look_at: job.app.now + 600)
        end

        def answered?(job, address, letter, source)
          late = job.app.now >= letter[:due_at]
          if late
            return job.problem("The word that was sent to #{address} at #{job.mark(letter[:at])} has not come back. It is late: see under the name's contacts what can be done, with what it would block.", source: source, yours: true,
look_at: job.app.now + 3600)
          end

          job.wait("The word was sent to #{address} at #{job.mark(letter[:at])}; it has not come back yet. Late after #{job.mark(letter[:due_at])}.", source: source, look_at: [job.app.now + 3600, letter[:due_at]].min)
        end
        private_class_method :first, :answered?
      end
    end
  end
end
