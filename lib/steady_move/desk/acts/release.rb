# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # The steps after the order: pending, release, landing, checks; and the way back.
      module Release
        LOCK = Registration::LOCK
        Commands = Wire::Epp::Commands

        module_function

        def registry_pending(job)
          transfer = job.transfer
          shown = job.public_record
          ended = transfer && transfer.status != "pending"
          return finished(job, transfer) if ended && !transfer.status.end_with?("Approved")

          if transfer && (ended || shown.statuses.include?("pendingTransfer"))
            return job.done("The registry holds the transfer as pending until #{job.mark(transfer.act_at)}.", source: "EPP transfer query, public record",
                                                                                                            ref: shown.url, deadline: transfer.act_at)
          end
          job.wait("The order has not reached the registry yet; that usually takes 15 minutes, at most an hour.", source: "public record", look_at: job.app.now + 300)
        end

        # Waits for the release; sends a person's approval once to the losing registrar.
        def release(job)
          transfer = job.transfer
          return job.problem("The registry knows of no transfer any more.", source: "EPP transfer query", yours: true) unless transfer
          return finished(job, transfer) unless transfer.status == "pending"

          approve(job) if job.state.approved? && !job.by_hand? && !approved_there?(job)
          begun = job.state.set_going_at("release") || job.state.approved?
          late = late_by_hand(job)
          return job.problem(late, source: "EPP transfer query at #{job.gaining.title}", yours: true, look_at: [job.app.now + 1800, transfer.act_at + 60].min) if late

          job.wait(waiting_for(job, transfer), source: "EPP transfer query at #{job.gaining.title}", look_at: [job.app.now + (begun ? 300 : 21_600), transfer.act_at + 60].min)
        end

        # What a person approved shows within two hours, what was written for within days.
        def late_by_hand(job)
          begun = job.state.begun_at("release") or return
          letter = job.step_state.step.by_letter?
          return if job.app.now < begun + (letter ? 3 * 86_400 : 7200)

          "#{letter ? 'Written for' : 'Said to be approved'} at #{job.mark(begun)}, and the registry still holds the transfer as pending. It is late: #{letter ? 'send a reminder' : 'look there whether it was taken'}."
        end

        # Where it is approved by hand, the registry's word counts and nobody else's.
        def waiting_for(job, transfer)
          begun = job.state.set_going_at("release")
          return "#{job.step_state.step.by_letter? ? 'Written for' : 'Said to be approved'} at #{job.mark(begun)}; the registry still holds the transfer as pending." if begun
          return "The release was approved at #{job.losing.title}, which passes it on." if job.state.approved?

          silence = job.plan.way("silence") == "lapses" ? "If nobody answers, the transfer lapses at" : "Silence counts as approval at"
          "#{asked(job)} #{silence} #{job.mark(transfer.act_at)}."
        end

        # Has the losing registrar taken the approval? Asked where it was tried before and no answer is known.
        def approved_there?(job)
          return false if job.state.tries("release").zero?

          job.transfer(at: job.losing)&.status != "pending"
        end

        # What the losing side's own mail says, where it has come.
        def asked(job)
          mail = job.move.events.reverse.find { |e| e.type == "mail" && e.data["kind"] == "approval-request" && !e.data["doubtful"] }
          mail ? "#{asker(job)} wrote at #{job.mark(mail.at)} and waits for the release." : "#{asker(job)} waits for the release."
        end

        # Who asks: the losing registrar, or the registry itself where the holder approves by mail.
        def asker(job) = job.plan.way("silence") == "lapses" ? "The registry" : job.losing.title

        def approve(job)
          job.intend("Approving the release at #{job.losing.title}.") do |key|
            job.epp(job.losing, Commands.transfer(op: "approve", name: job.plan.name, id: key))
          end
        end

        # How the registry's transfer ended (states: RFC 5730 §2.9.3.4).
        def finished(job, transfer)
          source = "EPP transfer query at #{job.gaining.title}"
          case transfer.status
          when "clientApproved" then job.done("The losing side approved the release at #{job.mark(transfer.act_at)}.", source: source)
          when "serverApproved" then job.done("Nobody answered; the registry approved the transfer at #{job.mark(transfer.act_at)}.", source: source)
          when "clientCancelled" then job.ended("The transfer was called off at the gaining side.", source: source)
          else job.ended("The transfer was refused (#{transfer.status}) at #{job.mark(transfer.act_at)}.", source: source)
          end
        end

        def landed(job)
          info = job.info(job.gaining)
          transfer = job.transfer
          record = job.public_record
          there = transfer && info.sponsor == transfer.requested_by && record.registrar == job.gaining.registrar
          return job.wait("The registry has not handed #{job.plan.name} over yet.", source: "EPP info, public record", look_at: job.app.now + 300) unless there

          arrive(job)
          job.done("#{job.plan.name} is held at #{job.gaining.title}.", source: "registry and public record", ref: record.url,
                                                                        landed_at: transfer.act_at, expires_at: info.expires_at)
        end

        # From now on the name belongs to the gaining account; a spent code is wiped.
        def arrive(job)
          job.app.names.put(job.name, job.gaining.id, at: job.app.now)
          job.app.names.forget(job.plan.name, :account)
          job.app.keepings.wipe_name(job.plan.name)
        end

        def lock_back(job)
          put_lock(job, job.gaining)
          job.done("The transfer lock is on at #{job.gaining.title}.", source: "EPP at #{job.gaining.title}")
        end

        def put_lock(job, account)
          return if job.info(account).statuses.include?(LOCK)

          job.intend("Putting the transfer lock on.") do |key|
            job.epp(account, Commands.update(name: job.plan.name, id: key, add: { statuses: [LOCK] }))
          end
        end

        # Each thing that was ordered against what is seen from outside.
        def check_landed(job)
          Observe.new(job.app).name(job.name, job.gaining)
          checks = Checks.all(job)
          bad = checks.reject(&:ok)
          source = "public record, registry, name servers"
          return job.done("Checked and as planned: #{checks.map(&:what).join(', ')}.", source: source, checks: checks.map(&:to_h)) if bad.empty?

          job.problem("Not as planned. #{bad.map(&:sentence).join(' ')}", source: source, yours: true, look_at: job.app.now + 3600)
        end

        # After a refusal or a call-off: nothing pending, the lock on again, the code wiped.
        def make_safe(job)
          undo_order(job)
          put_lock(job, job.losing) if job.plan.options.include?(:lock)
          job.done("#{job.plan.name} is as it was at #{job.losing.title}: nothing pending, the lock on.", source: "EPP at #{job.losing.title}")
        end

        # The code is wiped, and an order that went out is called off where it is still pending.
        def undo_order(job)
          job.app.keepings.wipe_codes(job.move.id)
          transfer = job.state.tries("order").positive? ? job.transfer : nil
          cancel(job) if transfer&.status == "pending"
        end

        def cancel(job)
          job.intend("Calling the transfer off at #{job.gaining.title}.") do |key|
            job.epp(job.gaining, Commands.transfer(op: "cancel", name: job.plan.name, id: key))
          end
        end
      end
    end
  end
end
