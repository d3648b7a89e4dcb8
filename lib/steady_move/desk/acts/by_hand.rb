# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # Steps that a person does at a registrar's own pages, or writes for. The desk never takes anybody's word for them: it looks from
      # outside, and says when it looks next. “I have done it” only starts the looking.
      module ByHand
        # Before anybody said that it is done, it is looked at anyway; a thing that somebody did unasked is found.
        UNASKED = 6 * 3600
        SHOWS = { "mailbox" => "by its mail", "the code safe" => "when the code is in the code safe" }.freeze
        Seen = Struct.new(:done, :says, :not_yet, :source, :ref, :data, keyword_init: true)

        # step => how it is proven.
        PROOFS = {
          "switch-ns" => ->(job) { record(job) { |r| [r.name_servers.sort == job.new_host.name_servers.sort, "The public record shows the new name servers.", "still shows the old name servers"] } },
          "unlock" => ->(job) { record(job) { |r| [!r.statuses.include?(Registration::LOCK), "The public record no longer shows the lock.", "still shows the lock"] } },
          "identity" => ->(job) { identity(job) },
          "privacy-off" => ->(job) { record(job) { |r| [Contacts.readable?(r, job.losing), "The public record shows the holder's own contacts.", "still shows the privacy service"] } },
          "privacy-back" => ->(job) { record(job) { |r| [job.gaining.stands_in?(r.registrant_email), "The privacy service stands in for the contacts again.", "still shows the holder's own contacts"] } },
          "privacy-again" => ->(job) { record(job) { |r| [job.losing.stands_in?(r.registrant_email), "The privacy service stands in for the contacts again.", "still shows the holder's own contacts"] } },
          "ask-code" => ->(job) { code(job) },
          "make-safe" => ->(job) { safe(job) }
        }.freeze

        module_function

        def call(job)
          seen = PROOFS.fetch(job.step).call(job)
          return job.done(seen.says, source: seen.source, ref: seen.ref) if seen.done

          begun = job.state.begun_at(job.step)
          begun ? looking(job, seen, begun) : asking(job, seen)
        end

        # Somebody has to act; the sentence says where.
        def asking(job, seen)
          at = job.step_state.step.by_letter? ? "Write to" : "To be done by hand at"
          job.wait("#{at} #{place(job)}. The desk sees it done #{SHOWS.fetch(seen.source, 'in the public record')}.", source: seen.source, ref: seen.ref, look_at: job.app.now + UNASKED)
        end

        # It is said to be done, or written for: looked for until it is late.
        def looking(job, seen, begun)
          takes = job.step_state.step.takes
          now = job.app.now
          late_at = begun + takes.last
          word = job.step_state.step.by_letter? ? "Written for" : "Said to be done"
          if now >= late_at
            return job.problem("#{word} at #{job.mark(begun)}, and #{seen.not_yet}. It is late: #{job.step_state.step.by_letter? ? 'send a reminder' : "look again at #{place(job)} whether it was taken there"}.",
                               source: seen.source, yours: true, look_at: now + 1800)
          end
          job.wait("#{word} at #{job.mark(begun)}; #{seen.not_yet}. It usually takes #{Core::Durations.spoken(takes[1])}, at most #{Core::Durations.spoken(takes[2])}.",
                   source: seen.source, ref: seen.ref, look_at: next_look(begun, takes, now, late_at))
        end

        # First when it usually shows, then every third of that, but at most every five minutes and no later than when it is late.
        def next_look(begun, takes, now, late_at)
          usual = begun + takes[1]
          [usual > now ? usual : now + [takes[1] / 3, 300].max, late_at].min
        end

        def place(job)
          case job.step_state.step.place
          when "gaining" then job.gaining.title
          when "service" then job.words[:keeper]
          else job.losing.title
          end
        end

        def record(job)
          shown = job.public_record
          done, says, not_yet = yield(shown)
          Seen.new(done: done, says: says, not_yet: "the public record #{not_yet}", source: "public record", ref: shown.url)
        end

        # Its mail says so; or privacy is off already, which nobody could do without it.
        def identity(job)
          mail = job.move.events.reverse.find { |e| e.type == "mail" && e.data["kind"] == "identity-check" && e.data["passed"] && !e.data["doubtful"] }
          return Seen.new(done: true, says: "#{job.words[:service]} wrote that the identity check is passed.", source: "mailbox", ref: mail.evidence["ref"]) if mail

          off = record(job) { |r| [Contacts.readable?(r, job.losing), "The public record shows the holder's own contacts already.", "still shows the privacy service"] }
          off.tap do |seen|
            seen.not_yet = "no mail of #{job.words[:service]} says that it is passed"
            seen.source = "mailbox" unless seen.done
          end
        end

        def code(job)
          held = job.app.keepings.held(job.plan.name)[job.plan.name]
          here = job.app.keepings.code(job.move.id) || (held && held.last != "rejected")
          Seen.new(done: here, says: "An authorization code is in the code safe.", not_yet: "no authorization code has come", source: "the code safe")
        end

        def safe(job)
          Release.undo_order(job)
          return Seen.new(done: true, says: "#{job.plan.name} is as it was: nothing pending.", source: "EPP transfer query") unless job.plan.options.include?(:lock)

          record(job) { |r| [r.statuses.include?(Registration::LOCK), "#{job.plan.name} is as it was: nothing pending, the lock on.", "does not show the lock yet"] }
        end
        private_class_method :asking, :looking, :next_look, :record, :identity, :code, :safe
      end
    end
  end
end
