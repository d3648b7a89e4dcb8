# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Where a transfer stands, as far as it shows without a connection to the gaining side: the
      # public record, the mails of both sides, and the losing side's connection where there is one
      # (rules of the job §9). A later proof covers an earlier step; what nothing shows is not
      # known.
      class Outside
        # stage: nothing, pending, released, landed, elsewhere (the record names a registrar that is
        # neither side's) or over; deadline: Time or nil, and whether it is assumed; how: refused,
        # lapsed or cancelled where it is known of what is over; shown: does the public record
        # itself show it pending? says: Phrase; source, ref: where it was seen; at: of the act,
        # where it is told.
        Sight =
          Struct.new(
            :stage,
            :deadline,
            :assumed,
            :how,
            :shown,
            :says,
            :source,
            :ref,
            :at,
            keyword_init: true
          ) do
            def begun? = stage != :nothing
            def approved? = %i[released landed elsewhere].include?(stage)
            def pending? = stage == :pending
          end

        PENDING = "pendingTransfer"
        # What the losing side or a registry writes once a transfer has been asked for.
        NOTICES = Core::Moves::Log::NOTICES
        # No word on the order: they come from anywhere.
        BESIDE = %w[offer unrelated].freeze
        # How a transfer ended that was not approved, by its status (RFC 5730 §2.9.3.4).
        ENDS = { "clientCancelled" => "cancelled", "serverCancelled" => "lapsed" }.freeze

        extend Forwardable

        def_delegators :@act, :plan, :state, :move, :losing, :gaining, :now, :sentence

        # act: of any step.
        def initialize(act)
          @act = act
          @record = act.public_record
        end

        # Where it stands: a Sight. Raises Wire::Error where the public record can't be had.
        def sight
          return landed if there?

          asked = losing.epp? ? by_losing_side : nil
          return asked if asked
          return elsewhere if elsewhere?
          return pending(:record) if @record.status?(PENDING)
          return over("refused", sentence("outside.wrote_ended"), :mailbox) if ending
          return released if mail("landed", "losing") || mail("landed", "registry")
          return gone if shown_before?

          notice ? pending(:mailbox) : nothing
        end

        # A message of the gaining side about this name since the order could be placed; nil where
        # none counts.
        def gaining_mail
          mails.find do |e|
            e.data["side"] == "gaining" && !BESIDE.include?(e.data["kind"]) && !e.data["ended"]
          end
        end

        private

        def there? = gaining.shown_by?(@record) == true && !same_registrar?

        # A move between two accounts of one registrar: its name in the record says nothing.
        def same_registrar? = losing.same_registrar?(gaining) == true

        # Does the record name a registrar that is not known to be either side? It may be another
        # name of the gaining one.
        def elsewhere?
          !same_registrar? && losing.shown_by?(@record) == false
        end

        def elsewhere
          sight_of(
            :elsewhere,
            sentence("outside.elsewhere", shown: @record.registrar),
            :record,
            how: @record.registrar
          )
        end

        def sight_of(stage, says, source, **more)
          Sight.new(
            stage: stage,
            says: says,
            source: source,
            ref: source == :record ? @record.url : nil,
            **more
          )
        end

        def landed
          sight_of(:landed, sentence("outside.landed"), :record, at: @record.transferred_at)
        end
        def released = sight_of(:released, sentence("outside.released"), :mailbox)
        def nothing = sight_of(:nothing, sentence("outside.nothing"), :record)
        # A mail ends nothing that the record still shows as pending.
        def over(how, says, source) = sight_of(:over, says, source, how: how)

        # No longer pending, and still held by the losing side: which of the ends it was a mail or a
        # person has to say.
        def gone = over(nil, sentence("outside.gone"), :record)

        def pending(source)
          told = notice&.data&.fetch("deadline", nil)
          first = first_seen
          ends = told || (first + ((plan.response_days || 5) * 86_400))
          sight_of(
            :pending,
            sentence(told ? "outside.pending" : "outside.pending_assumed", until: ends),
            source,
            deadline: ends,
            assumed: told.nil?,
            shown: source == :record
          )
        end

        def first_seen
          state.told("pending_seen")&.data&.fetch("pending_seen", nil) || notice&.at || now
        end

        def shown_before? = state.told("shown")&.data&.fetch("shown", nil) == true
        def notice
          @notice ||=
            NOTICES.filter_map { |kind| mail(kind, "losing") || mail(kind, "registry") }.first
        end

        # A message that said so before the record belied it says nothing any more.
        def ending
          @ending ||=
            mails.find { |e| e.data["ended"] && (state.resumed_at.nil? || e.at > state.resumed_at) }
        end

        # The newest message of a kind that counts, from one side, since the order was placed.
        def mail(kind, side) = mails.find { |e| e.data["kind"] == kind && e.data["side"] == side }

        # Messages of either side, or the registry, that count, since the order could be placed; the
        # newest first.
        def mails
          @mails ||=
            begin
              since = state.with_trait(:orders)&.since
              told =
                since ? move.events.select { |e| e.counts? && e.data["side"] && e.at >= since } : []
              told.reverse
            end
        end

        # The losing side's own word on the transfer (RFC 5731 §3.1.3), where it is no older than
        # the order.
        def by_losing_side
          found =
            @act.epp(
              losing,
              Act::Commands.transfer(op: "query", name: plan.name, id: @act.job.ask_key)
            )
          since = state.with_trait(:orders)&.since
          if found.nil? ||
               (found.requested_at && since && found.requested_at < since - Transfers::SLACK)
            return
          end

          source = [:epp, { at: losing.title }]
          case found.status
          when "pending"
            sight_of(
              :pending,
              sentence("outside.pending", until: found.act_at),
              source,
              deadline: found.act_at
            )
          when /Approved/
            sight_of(:released, sentence("outside.released"), source, at: found.act_at)
          else
            how = ENDS.fetch(found.status, "refused")
            over(how, sentence("outside.ended_#{how}"), source)
          end
        rescue Wire::Refused
          nil
        end
      end
    end
  end
end
