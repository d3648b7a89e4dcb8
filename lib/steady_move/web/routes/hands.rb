# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # What people do by hand: acts by place, consent, letters, codes pasted; and batches of moves.
      module Hands
        def self.registered(app)
          app.error(Desk::Hands::NotNow) { |e| refuse(409, e.message) }
          app.error(Desk::Letters::Invalid) { |e| refuse(422, sentence(e)) }
          helpers(app)
          app.get("/api/hands") { json(hands_shown) }
          acts(app)
          letters(app)
          batches(app)
        end

        def self.helpers(app)
          app.helpers do
            def hands = Desk::Hands.new(app_)
            def letters = Desk::Letters.new(app_)
            def hands_shown = Views::HandsView.page(app_, hands, letters)

            def done
              house.engine.nudge
              json(hands_shown)
            end

            # A draft anew with the reference that an earlier look at it gave.
            def draft(given)
              known = { message_id: given["message_id"] }
              ready = given["reminds"] ? letters.reminder(given["reminds"], by: person[:email], **known) : letters.draft(given["account"], by: person[:email], reference: given["reference"], **known)
              ready or raise Problem.new(409, "Nothing waits for a letter there any more.")
            end
          end
        end

        def self.acts(app)
          app.post("/api/hands/said") do
            hands.said(body_as("SaidDone")["steps"].map { |s| [s["move"], s["step"]] }, by: person[:email])
            done
          end

          app.post("/api/hands/consent") do
            given = body_as("Consent")
            hands.consent(given["moves"], given_by: given["given_by"], ends: Contract.instant(given["until"]), by: person[:email])
            done
          end

          app.post("/api/hands/new-code") do
            hands.new_code(body_as("NewCode")["move"], by: person[:email])
            done
          end

          app.post("/api/hands/code") do
            given = body_as("PastedCode")
            says = Desk::CodeSafe.new(app_).put(given["name"], given["code"], by: person[:email])
            house.engine.nudge
            json(says: says)
          end
        end

        def self.letters(app)
          app.post("/api/letters/draft") { json(Views::HandsView.draft(draft(body_as("LetterAsked")))) }

          app.post("/api/letters") do
            given = body_as("NewLetter")
            account = given["reminds"] ? app_.letters.find(given["reminds"])&.fetch(:account_id) : given["account"]
            letters.send(draft(given), account_id: account, by: person[:email], how: given["how"], text: given["text"], reminds: given["reminds"])
            done
          end
        end

        def self.batches(app)
          app.post("/api/batches/proposals") { batch { |b, given, job| b.propose(given["names"], to: given["to"], host: given["host"]) { job.done += 1 } } }
          app.post("/api/batches") { batch { |b, given, job| b.start(given["names"], to: given["to"], host: given["host"], by: job.by) { job.done += 1 } } }

          app.get("/api/batches/:job") do |id|
            found = house.jobs.find(id, by: person[:email]) or raise Problem.new(404, "There is no such work of yours.")
            job(found) { |rows| Views::HandsView.batch(rows) }
          end

          app.helpers do
            def batch
              given = body_as("NewBatch")
              raise Problem.new(422, "to: there is no account “#{given['to']}”.") unless app_.accounts.find(given["to"])
              raise Problem.new(422, "host: there is no DNS host “#{given['host']}”.") if given["host"] && !app_.accounts.host_of(given["host"])

              work = house.jobs.start(by: person[:email], of: given["names"].size) do |job|
                yield(Desk::Batch.new(app_), given, job).tap { house.engine.nudge }
              end
              job(work) { |rows| Views::HandsView.batch(rows) }
            end
          end
        end
        private_class_method :helpers, :acts, :letters, :batches
      end
    end
  end
end
