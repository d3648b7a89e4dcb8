# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Batches of names: made, changed, reviewed, started and closed. What is done stands in the
      # journal.
      class BatchCommands
        # What a batch starts out with: one name on trial, at most so many a day at one registrar.
        USUAL = { "trial" => true, "per_day" => 25, "blackouts" => [] }.freeze
        MOST = 2000
        # Roles that may raise a limit.
        APPROVERS = %w[approver administrator].freeze
        TITLE = 80

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # names: A-label texts held here. Returns [id, [sentence of each name that was left out]].
        # Raises Refused.
        def make(names, by:, title: nil, **settings)
          known, left = sort_out(names)
          raise Refused.new(:invalid, left.empty? ? :no_names : left) if known.empty?

          settings = USUAL.merge(checked(settings.transform_keys(&:to_s)))
          title =
            titled(title) ||
              Words.say(
                :"batches.usual_title",
                count: known.size,
                day: @ports.now.strftime("%-d %b %Y")
              )
          id = @ports.batches.add(title, settings, known, by: by, at: @ports.now)
          note(find(id), "made", by, count: known.size)
          [id, left]
        end

        # Returns Store::Batches::Batch; raises Refused.
        def find(id) = @ports.batches.find(id) || raise(Refused.new(:unknown, :no_batch, id: id))

        # Changes title or settings; what runs already goes on as it was planned. Raises Refused.
        def change(id, by:, title: nil, **settings)
          batch = not_closed(id)
          given = checked(settings.transform_keys(&:to_s))
          merged = batch.settings.merge(given, limit_raised(batch, given, by))
          @ports.batches.update(id, title: titled(title) || batch.title, settings: merged)
          back_to_draft(batch)
          note(batch, "changed", by)
        end

        # Puts names in, takes them out, holds them back or lets them go on; own: {name => settings}
        # where they differ. Those that move already are not touched;
        # one whose move came to nothing is tried again. Returns [sentence of each that was left
        # out]. Raises Refused.
        def change_names(id, by:, add: [], drop: [], hold: [], go_on: [], own: {})
          batch = not_closed(id)
          known, left = sort_out(add, besides: id)
          @ports.batches.add_names(id, known)
          { "dropped" => drop, "held" => hold, "in" => go_on }.each do |state, list|
            put(batch, list, state)
          end
          own.each { |name, wishes| @ports.batches.update_name(id, name, own: checked(wishes)) }
          back_to_draft(batch)
          counts = {
            added: known.size,
            dropped: drop.size,
            held: hold.size,
            back: go_on.size,
            own: own.size
          }
          note(batch, "names", by, **counts)
          left
        end

        # Starts it as it was reviewed; above a limit a second person is asked. shown: [Amount] that
        # were shown for it. Returns the state. Raises Refused.
        def start(id, by:, shown:)
          batch = not_closed(id)
          reviewing = BatchReview.new(@ports)
          review = reviewing.review(batch)
          refuse_start(review, shown)
          accepted = accepted(review)
          above = reviewing.above(review, batch, by)
          return begin_running(batch, by, review) if above.empty?
          raise Refused.new(:not_now, :batch_under_way) if batch.state == "asked"
          raise Refused.new(:not_now, :above_limit_running, why: above) if batch.state != "draft"

          unless @ports.batches.turn(
                   id,
                   from: "draft",
                   to: "asked",
                   asked_by: by,
                   accepted: accepted
                 )
            raise Refused.new(:not_now, :batch_under_way)
          end

          note(batch, "asked", by, why: above)
          "asked"
        end

        # A second person lets it start. Raises Refused.
        def approve(id, by:)
          batch = find(id)
          raise Refused.new(:not_now, :batch_not_asked) unless batch.state == "asked"
          raise Refused.new(:not_now, :another_person) if batch.asked_by == by

          review = BatchReview.new(@ports).review(batch)
          raise Refused.new(:not_now, :plan_changed) unless accepted(review) == batch.accepted

          begin_running(batch, batch.asked_by, review, approved_by: by)
        end

        # Starts no further names; what moves goes on.
        def halt(id, by:, why: nil)
          return unless @ports.batches.turn(id, from: "running", to: "halted")

          note(find(id), "halted", by, why: why || Words.phrase("batches.by_a_person"))
        end

        # Goes on after it was halted. Raises Refused.
        def go_on(id, by:)
          unless @ports.batches.turn(id, from: "halted", to: "running")
            raise Refused.new(:not_now, :batch_not_halted)
          end

          note(find(id), "went_on", by)
        end

        # Ends it: nothing further is started, its names are free for another batch. Raises Refused
        # while some move.
        def close(id, by:)
          batch = not_closed(id)
          moving = @ports.batches.members(id).filter_map(&:move_id)
          raise Refused.new(:not_now, :batch_moves) if @ports.moves.find_all(moving).any?(&:open)

          @ports.batches.update(id, state: "closed", closed_at: @ports.now)
          note(batch, "closed", by)
        end

        # Writes a line about a batch; key: in the catalogue's “journal.batch”.
        def note(batch, key, by, name: nil, **values)
          @ports.db.transaction do
            says =
              Words.phrase("journal.batch.#{key}", by: by, title: batch.title, name: name, **values)
            line =
              @ports.journal.add(
                "batch",
                at: @ports.now,
                by: by,
                name: name,
                says: says,
                data: {
                  "batch" => batch.id
                }
              )
            @ports.batches.note(batch.id, line.seq)
          end
        end

        private

        def not_closed(id)
          find(id).tap do |b|
            raise Refused.new(:not_now, :batch_closed, title: b.title) if b.state == "closed"
          end
        end

        def titled(text)
          text = text.to_s.strip
          text[0, TITLE] unless text.empty?
        end

        # [names held here that are in no other open batch, sentences on the rest].
        def sort_out(names, besides: nil)
          names = names.uniq
          raise Refused.new(:invalid, :too_many_names, most: MOST) if names.size > MOST

          says = names.to_h { |name| [name, unfit(name, besides)] }
          [names.select { |n| says[n].nil? }, says.values.compact]
        end

        def unfit(name, besides)
          return Words.say(:"refused.not_held", name: name) unless @ports.names.find(name)

          other = @ports.batches.open_with(name)
          return if other.nil? || other.id == besides

          Words.say(:"batches.in_another", name: name, title: other.title)
        end

        def checked(settings)
          settings =
            settings.slice("to", "host", "aims", "late", "per_day", "trial", "blackouts", "limit")
          to, host = settings.values_at("to", "host")
          raise Refused.new(:invalid, :no_account, id: to) if to && @ports.accounts.find(to).nil?
          if host && @ports.accounts.host_of(host).nil?
            raise Refused.new(:invalid, :no_host, id: host)
          end

          late = settings["late"]
          if late && !Planning::Lateness::CHOICES.include?(late)
            raise Refused.new(:invalid, :no_such_choice, given: late)
          end

          (settings["blackouts"] || []).each do |from, last|
            raise Refused.new(:invalid, :blackout_ends_first, from: from, last: last) if last < from
          end
          settings
        end

        def put(batch, names, state)
          members = @ports.batches.members(batch.id).to_h { |m| [m.name, m] }
          names.each do |name|
            member = members[name] or raise Refused.new(:unknown, :not_in_batch, name: name)
            again = member.move_id && state == "in" && failed?(member.move_id)
            raise Refused.new(:not_now, :moves_already, name: name) if member.move_id && !again

            @ports.batches.update_name(
              batch.id,
              name,
              state: state,
              says: nil,
              **(again ? { move_id: nil } : {})
            )
          end
        end

        # Is a move over without having settled, so that its name can be tried again?
        def failed?(move_id)
          (move = @ports.moves.find(move_id)) && !move.open && move.state.ending != "settled"
        end

        # Whoever raises a batch's limit may approve, and is noted: who raised it doesn't start it
        # alone.
        def limit_raised(batch, given, by)
          return {} unless given.key?("limit")

          before, now =
            [batch.settings, given].map do |s|
              s["limit"]&.then { |row| Core::Money::Amount.of(row) }
            end
          return {} unless Planning::Spending.new(@ports).raised?(before, now)

          role = Store::People.new(@ports.db).by_email(by)&.fetch(:role)
          raise Refused.new(:not_now, :limit_raised) unless APPROVERS.include?(role)

          { "limit_raised_by" => by }
        end

        # What was asked of a second person was another plan.
        def back_to_draft(batch)
          @ports.batches.turn(batch.id, from: "asked", to: "draft", accepted: nil, asked_by: nil)
        end

        def refuse_start(review, shown)
          raise Refused.new(:not_now, :nothing_can_start) if review.able.empty?
          unless review.total.sort_by(&:currency) == shown.sort_by(&:currency)
            raise Refused.new(:not_now, :plan_changed)
          end
        end

        # {name => [minor, currency] or nil}.
        def accepted(review) = review.able.to_h { |r| [r.name, r.total&.to_a] }

        # What can't start is held back, with why.
        def begin_running(batch, by, review, approved_by: nil)
          accepted = accepted(review)
          members = {
            asked_by: by,
            approved_by: approved_by,
            accepted: (batch.accepted || {}).merge(accepted),
            started_at: batch.started_at || @ports.now
          }
          from = approved_by ? "asked" : %w[draft running halted]
          unless @ports.batches.turn(batch.id, from: from, to: "running", **members)
            raise Refused.new(:not_now, :batch_under_way)
          end

          review.left_out.each do |r|
            @ports.batches.update_name(batch.id, r.name, state: "held", says: r.says.join(" "))
          end
          note(batch, approved_by ? "approved" : "started", approved_by || by, count: accepted.size)
          "running"
        end
      end
    end
  end
end
