# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # The list of names as JSON.
      module NameList
        module_function

        # found: Desk::Portfolio::NamesQuery::Listing; accounts: {id => account}; at, now: Time.
        def page(found, accounts, at:, now:, offset:)
          {
            at: Json.time(at),
            now: Json.time(now),
            total: found.total,
            held: found.snapshot.list.size,
            offset: offset,
            tally: found.snapshot.tally,
            groups:
              found.groups.map do |key, count|
                { key: key, title: accounts[key]&.title || key, count: count }
              end,
            changes: found.changes.map { |(was, is), count| { was: was, is: is, count: count } },
            suffixes:
              found.snapshot.suffixes.map { |suffix, count| { suffix: suffix, count: count } },
            clients:
              found.snapshot.clients.map { |client, count| { client: client, count: count } },
            stay: stays(found.stays, accounts),
            unpriced: unpriced(found.stays, accounts),
            horizon_days: Desk::Portfolio::Judging::HORIZON / 86_400,
            names: found.rows.map { |e| row(e, found, accounts, at).merge(why: why(e, found, at)) }
          }
        end

        def row(entry, found, accounts, at)
          account = accounts.fetch(entry.account_id)
          was = found.was.gate(entry)&.kind
          {
            name: entry.ascii,
            unicode: entry.unicode,
            suffix: entry.suffix,
            account: account.title,
            account_id: entry.account_id,
            client: entry.client,
            was: was == found.snapshot.gate(entry).kind ? nil : was,
            expires_at: Json.seconds(entry.expires),
            locked: entry.locked,
            privacy: entry.privacy,
            auto_renew: entry.auto_renew,
            name_servers: entry.servers,
            dns_host: entry.dns_host,
            stay: NameView.stay(account),
            seen_at: Json.seconds(entry.seen),
            contradicting: entry.contradicting,
            move: entry.move && { id: entry.move.id, stage: entry.move.stage },
            **NameView.ruler(entry.outline, at, entry.latest_safe, found.snapshot.gate(entry))
          }
        end

        # The one reason for a gate in a few words, nil where there is none.
        def why(entry, found, at)
          reason = found.snapshot.reason(entry) or return
          return say_too_late(entry, at) if reason.rule == "too-late" && entry.expires

          title = reason.title&.sub(/\A\p{Lu}/, &:downcase)
          reason.key == :rule ? title : Words.say(:"listing.#{reason.key}", title: title)
        end

        def say_too_late(entry, at)
          days = ((entry.expires - at.to_i) / 86_400.0).ceil
          Words.say(:"listing.renew", count: [days, 0].max)
        end

        # What a year of all that is shown costs where it is, per currency.
        def stays(counts, accounts)
          years =
            counts.filter_map { |id, n| accounts.fetch(id).prices_of.renew&.then { |a| a * n } }
          years.group_by(&:currency).map { |_, same| same.reduce(:+).to_h }
        end

        # Names of which that sum says nothing: their account has no price.
        def unpriced(counts, accounts)
          counts.sum { |id, count| accounts.fetch(id).prices_of.renew ? 0 : count }
        end
        private_class_method :row, :stays, :unpriced, :why, :say_too_late
      end
    end
  end
end
