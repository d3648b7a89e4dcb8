# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # The steps of the registration rail up to the order.
      module Registration
        LOCK = Core::Names::Statuses::LOCK
        Commands = Wire::Epp::Commands

        module_function

        def unlock(job)
          if job.info(job.losing).statuses.include?(LOCK)
            job.intend("Taking the transfer lock off.") do |key|
              job.epp(job.losing, Commands.update(name: job.plan.name, id: key, rem: { statuses: [LOCK] }))
            end
          end
          job.done("#{job.losing.title} keeps #{job.plan.name} as unlocked.", source: "EPP at #{job.losing.title}")
        end

        # The public record lags: usually a quarter of an hour, up to an hour, sometimes longer (common practice).
        def lock_gone(job)
          record = job.public_record
          return job.done("The public record no longer shows the lock.", source: "public record", ref: record.url) unless record.statuses.include?(LOCK)

          waited = job.app.now - job.state["lock-gone"].since
          late = waited > 3600
          says = "#{job.losing.title} took the lock off at #{job.mark(job.state['lock-gone'].since)}; the public record still shows the lock. It usually takes 15 minutes, at most an hour."
          job.wait("#{says}#{" It is late: ask #{job.losing.title} whether the lock is really off." if late}",
                   source: "public record", look_at: job.app.now + (late ? 1800 : [900 - waited, 300].max), ref: record.url)
        end

        def get_code(job)
          return done_code(job, "the code safe") if job.app.keepings.code(job.move.id) || from_safe(job)
          return job.problem("No authorization code is held any more; ask #{job.losing.title} for a new one.", source: "the code safe", yours: true, look_at: job.app.now + 3600) if job.plan.way("code") != "connection"

          code = job.info(job.losing).auth_info
          return job.problem("#{job.losing.title} did not hand out the code; ask for it there.", source: "EPP info", look_at: job.app.now + 3600, yours: true) unless code

          job.app.keepings.put_code(job.move.id, job.plan.name, code, at: job.app.now)
          done_code(job)
        end

        # A code that was kept before, from a mail or a list, as long as it lives.
        def from_safe(job)
          days = job.app.rulebook.family_of(job.name)&.code_days
          job.app.db.transaction(mode: :immediate) do
            kept = job.app.keepings.take_kept(job.plan.name, at: job.app.now, lives: days && (days * 86_400))
            kept && job.app.keepings.put_code(job.move.id, job.plan.name, kept, at: job.app.now)
          end
        end

        def done_code(job, source = "EPP info at #{job.losing.title}") = job.done("The authorization code is in the code safe.", source: source)

        def check_code(job)
          code = job.app.keepings.code(job.move.id)
          takes = Destinations.of(job.gaining).takes_codes
          return unfit(job) if takes && !takes.match?(code)

          job.info(job.gaining, code: code)
          job.app.keepings.checked(job.move.id)
          job.done("The registry takes the code as the right one.", source: "EPP info with the code at #{job.gaining.title}")
        rescue Wire::Refused => e
          raise unless e.code == 2202

          code_rejected(job)
        end

        # Found before any order: the gaining side's form would refuse it.
        def unfit(job)
          return asked_anew(job) if job.plan.options.include?(:ask)

          job.problem("The code holds a character that #{job.gaining.title} can't take. Have a new one set at #{job.losing.title}.", source: "what #{job.gaining.title} takes", yours: true, look_at: job.app.now + 86_400)
        end

        def asked_anew(job)
          job.app.keepings.wipe_codes(job.move.id)
          says = "The code held a character that #{job.gaining.title} can't take; it was wiped. Ask #{job.losing.title} for a new one."
          job.reopen("ask-code", says)
          job.wait(says, source: "what #{job.gaining.title} takes", look_at: job.app.now + 86_400)
        end

        # 2202: wiped, and fetched again; after the third time a person is asked (common practice).
        def code_rejected(job)
          rejections = job.move.events.count { |e| e.type == "reopened" && %w[get-code ask-code].include?(e.step) } + 1
          job.app.keepings.wipe_codes(job.move.id)
          job.reopen(job.plan.options.include?(:ask) ? "ask-code" : "get-code", "The registry rejected the code (2202); it was wiped.")
          job.problem("The registry rejects the code (2202 invalid authorization information). It was wiped and is #{job.plan.options.include?(:ask) ? 'asked for' : 'fetched'} again from #{job.losing.title}." +
                      (rejections >= 3 ? " This is the third time: have a new code set there." : ""),
                      source: "EPP at #{job.gaining.title}", look_at: job.app.now + 900, yours: rejections >= 3)
        end

        def order(job)
          known = job.state.tries("order").positive? ? job.transfer : nil
          return ordered(job, known) if known && ours?(job, known)

          code = job.app.keepings.code(job.move.id)
          data = job.intend("Ordering the transfer with #{job.plan.years} added #{job.plan.years == 1 ? 'year' : 'years'}.") do |key|
            job.epp(job.gaining, Commands.transfer(op: "request", name: job.plan.name, id: key, auth_info: code, years: job.plan.years.nonzero?)).data
          end
          ordered(job, data)
        rescue Wire::Refused => e
          order_refused(job, e)
        end

        # An order of ours: asked for no earlier than our first try.
        def ours?(job, transfer)
          first = job.move.events.find { |e| e.step == "order" && e.type == "intended" }
          transfer.requested_at.nil? || transfer.requested_at >= first.at - 60
        end

        def ordered(job, _data) = job.done("#{job.gaining.title} took the order.", source: "EPP transfer request at #{job.gaining.title}")

        # Each refusal in plain words with what happens next (result codes: RFC 5730 §3).
        def order_refused(job, refusal)
          again = job.app.now + 900
          case refusal.code
          when 2304
            job.reopen("lock-gone", "The order was refused: the registry still holds the lock.") if job.plan.options.include?(:lock)
            job.problem("The order was refused because the registry still shows a lock (2304). The public record is watched until it is gone, then the order goes out again.",
                        source: "EPP at #{job.gaining.title}", look_at: again)
          when 2202 then code_rejected(job)
          when 2106 then job.problem("The registry says that #{job.plan.name} is not eligible for a transfer (2106). Look the name up again and see its verdict.",
                                     source: "EPP at #{job.gaining.title}", yours: true, look_at: job.app.now + 86_400)
          when 2300 then job.problem("Somebody's transfer of #{job.plan.name} is pending already (2300).", source: "EPP at #{job.gaining.title}", yours: true, look_at: again)
          else job.problem("#{job.gaining.title} refused the order (#{refusal.code} #{refusal.message}).", source: "EPP at #{job.gaining.title}", yours: true, look_at: job.app.now + 3600)
          end
        end
      end
    end
  end
end
