# frozen_string_literal: true

module Practice
  # Suffixes that move another way than by code, lock and silence; and what the registry's record
  # showed before.
  module RegistryWays
    def by_mail?(name) = under?(name, @by_mail)
    def at_once?(name) = under?(name, @at_once)
    def pushed?(name) = under?(name, @pushed)

    # The sponsor hands a name over: at once, to whoever it names, without an added year.
    def push(client, name, to, at:)
      row = find(name)
      raise Refusal, 2201 unless row[:sponsor] == client
      if row[:statuses].intersect?(%w[pendingTransfer serverTransferProhibited pendingDelete])
        raise Refusal, 2304
      end

      id =
        @db[:transfers].insert(
          name: name,
          status: "pending",
          requested_by: to,
          requested_at: at.to_i,
          acts: client,
          act_at: at.to_i,
          years: 0
        )
      conclude(transfer_row(id), "clientApproved", at)
    end

    # The code of a name for its sponsor; where codes live a month, a fresh one.
    def code_of(client, name, at:)
      row = find(name)
      unless at_once?(name) && row[:sponsor] == client && row[:auth_ends].to_i <= at.to_i
        return row[:auth_info]
      end

      new_code.tap do |code|
        domains.where(name: name).update(auth_info: code, auth_ends: at.to_i + (30 * Registry::DAY))
      end
    end

    # The row as it stood at an instant, for a record that is behind.
    def before(name, at)
      row = find(name)
      old = @db[:earlier].where(name: name).where { until_at > at.to_i }.order(:until_at).first
      old ? row.merge(JSON.parse(old[:row], symbolize_names: true)) : row
    end

    # A year more, or several: only where the client knows the present expiry (RFC 5731 §3.2.3), and
    # at most ten years ahead.
    def renew(client, name, expires, years:, at:)
      row = find(name)
      raise Refusal, 2201 unless row[:sponsor] == client
      if row[:statuses].intersect?(%w[clientRenewProhibited serverRenewProhibited pendingTransfer])
        raise Refusal, 2304
      end
      raise Refusal, 2004 unless Time.at(row[:expires_at]).utc.strftime("%F") == expires

      later = years_on(Time.at(row[:expires_at]).utc, years)
      raise Refusal, 2306 if later > years_on(at.utc, 10)

      save(name, expires_at: later.to_i, updated_at: at.to_i)
      @agenda.add(later, "expiry", name: name)
      find(name)
    end

    private

    def under?(name, suffixes) = suffixes.any? { |s| name.end_with?(".#{s}") }

    def at_once(row, auth, at)
      raise Refusal, 2202 unless auth && auth == row[:auth_info]
      raise Refusal, 2202 if row[:auth_ends] && row[:auth_ends] <= at.to_i

      row
    end

    def keep_before(name, at)
      row =
        find(name).slice(
          :sponsor,
          :statuses,
          :name_servers,
          :ds,
          :expires_at,
          :transferred_at,
          :updated_at
        )
      @db[:earlier].insert(name: name, until_at: at || row[:updated_at], row: row.to_json)
    end
  end
end
