# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The post: what came, dropped in or put right.
      module Post
        # Octets of a message that is dropped in.
        MOST = 32 * 1024 * 1024
        SHOWN = %i[uid sender subject text at kind names deadline doubtful because move_id link corrected_by].freeze

        def self.registered(app)
          app.error(Desk::Replies::Invalid, Desk::PostRoom::Unreadable) { |e| refuse(422, sentence(e)) }
          app.helpers do
            def post_shown
              over = app_.moves.all.select { |m| m.state.ending || m.state.done?("release") || m.state.approved? || m.state.set_going_at("release") }.to_set(&:id)
              { messages: app_.messages.all.map do |m|
                asks = Core::Post::Lexicon.asks?(m[:kind], text: m[:text], answers: !m[:letter_id].nil?, at: now, deadline: m[:deadline], doubtful: m[:doubtful], over: over.include?(m[:move_id]))
                Views::Json.value(m.slice(*SHOWN).merge(wants_answer: asks))
              end }
            end
          end

          app.get("/api/post") { json(post_shown) }

          # The body is the message itself (RFC 5322), as it was saved.
          app.post("/api/post/dropped") do
            raw = request.body.read(MOST + 1).to_s
            raise Problem.new(422, "The message is larger than #{MOST / 1024 / 1024} MB.") if raw.bytesize > MOST

            raise Problem.new(409, "This message is in the post already.") unless Desk::PostRoom.new(app_).drop(raw)

            house.engine.nudge
            json(post_shown)
          end

          app.post("/api/post/:id/correct") do |uid|
            given = body_as("Correction")
            Desk::Replies.new(app_).correct(uid.to_i, kind: given["kind"], names: given["names"], trust: given["trust"] == true, by: person[:email])
            house.engine.nudge
            json(post_shown)
          end
        end
      end
    end
  end
end
