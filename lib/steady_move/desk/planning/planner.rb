# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # Works out what a move would do and cost, before anything is done; and starts it.
      class Planner
        # A plan that starts rests on facts no older than this (seconds): name servers and status
        # may have changed since it was shown.
        FRESH = 60
        # A move of a batch: its spending was looked at when the batch was started. by: the second
        # person who let it start, or nil where none was needed.
        Agreed = Struct.new(:by)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # request: Request. Returns a Proposal, or nil where the name, account or host isn't known.
        def propose(request)
          judged = judged(request)
          account = @ports.accounts.find(request.to)
          new_host = new_host(request, account)
          return if judged.nil? || account.nil? || (request.host && new_host.nil?)

          Draft.new(@ports, request, judged, account, new_host).proposal
        end

        # What a move to an account, or to the usual destination, would cost: [account, Quote]; nil
        # where no other is known, or its price.
        def going(judged, to: nil)
          account = @ports.accounts.find(to || Accounts::Destinations.usual(@ports)) or return
          return if account.id == judged.account.id

          [account, quote(judged, account)]
        end

        # Starts the move: its plan and the first line of its journal are written together. price:
        # what was agreed, an Amount, nil where none was known, or :any; agreed: Agreed, else the
        # person's own limit holds (Spending). Raises Refused, also where the price is another now;
        # what is agreed for a batch is the most that it may cost.
        # Returns its id.
        def start(request, by:, price: :any, agreed: nil)
          proposal = propose(request.fresh(FRESH)) or raise Refused.new(:unknown, :nothing_to_move)
          check(proposal, price, agreed)
          @ports.db.transaction do
            # with what it writes, so that two at once can't both be within the limit
            Spending.new(@ports).check(proposal.total, by: by) unless agreed
            PendingHost.keep(@ports, proposal.plan.new_host)
            go_on(request.name, by)
            @ports
              .moves
              .start(proposal.plan, at: @ports.now) do |id|
                note_start(id, proposal, by, agreed&.by)
              end
          end
        rescue Store::Moves::AlreadyMoving
          raise Refused.new(:not_now, :already_moving, name: request.name)
        end

        private

        def judged(request)
          judging = Portfolio::Judging.new(@ports)
          return judging.one(request.name, to: request.to) unless request.age

          judging.fresh(request.name, to: request.to, age: request.age)
        end

        def new_host(request, account)
          return request.host && @ports.accounts.host_of(request.host) unless coming?(request)

          account && (own_host(request, account) || PendingHost.build(@ports, account))
        end

        # Servers of the destination, whichever they are.
        def coming?(request)
          request.choice == "later" || (request.choice == "copy" && request.host.nil?)
        end

        # Where the destination copies the records: its own host, where one is known.
        def own_host(request, account)
          return unless request.choice == "copy"

          @ports.accounts.hosts.find { |host| host.ends_with == account.id }
        end

        # Of a batch what was agreed is the most that it may cost.
        def check(proposal, price, agreed)
          raise Refused.new(:not_now, proposal.refusals) unless proposal.startable?
          return if price == :any || price == proposal.total
          return if agreed && cheaper?(proposal.total, price)

          name = proposal.plan.name
          raise Refused.new(:not_now, :price_changed, name: name, now: proposal.total.to_s)
        end

        def cheaper?(now, agreed)
          now && agreed && now.currency == agreed.currency && now.minor < agreed.minor
        end

        # A name that was only made ready goes on as this move: what was done for it stays done.
        def go_on(name, by)
          ready = @ports.moves.open_for(name)
          return unless ready&.plan&.prepare? && ready.state.ending.nil?

          @ports.journal.add(
            "settled",
            at: @ports.now,
            move_id: ready.id,
            name: name,
            by: by,
            says: Words.phrase("journal.ready_goes_on", name: name)
          )
          @ports.codes.let_go(ready.id)
          @ports.moves.close(ready.id)
        end

        def note_start(id, proposal, by, approved_by)
          words = Common::MoveWords.values(proposal.plan, @ports.accounts)
          total = proposal.quote.total || Core::Money::Amount.new(nil, nil)
          @ports.journal.add(
            "planned",
            at: @ports.now,
            move_id: id,
            name: proposal.plan.name,
            by: by,
            says: Words.phrase("journal.planned", **words.slice(:name, :from, :to)),
            data: {
              "total" => total.minor,
              "currency" => total.currency,
              "stay" => proposal.quote.stay&.minor,
              "approved_by" => approved_by,
              "foreseen" => @ports.forecasts.foreseen(proposal.plan)
            }.compact
          )
          note_late(id, proposal, by) if proposal.plan.late
        end

        # Somebody chose, knowing the risk.
        def note_late(id, proposal, person)
          plan = proposal.plan
          @ports.journal.add(
            "late-chosen",
            at: @ports.now,
            move_id: id,
            name: plan.name,
            by: person,
            says:
              Words.phrase(
                "journal.late_#{plan.late}",
                by: person,
                expires: plan.renewed_from || plan.expires_at
              )
          )
        end

        def quote(judged, account)
          one = Core::Moves::TargetSettings.of(account.aims, { "years" => 1 })
          Pricing.quote(judged, account, aims: one, at: @ports.now)
        end
      end
    end
  end
end
