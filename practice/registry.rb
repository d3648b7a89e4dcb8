# frozen_string_literal: true

require "date"
require "securerandom"

module Practice
  # The registry of one suffix: domains, transfers and message queues (RFC 5731; periods as in
  # rules.md, common practice).
  # client: the registrar that asks. Every method takes `at:`; refusals raise Refusal.
  class Registry
    include RegistryContacts
    include RegistryWays

    DAY = 86_400
    BLOCK = 60 * DAY
    SILENCE = 5 * DAY
    GRACE = 45 * DAY
    PROHIBITED = %w[clientTransferProhibited serverTransferProhibited].freeze

    # random: a Random for authorization codes; listeners hear (event, row, at).
    # by_mail: suffixes whose holders are asked by mail: no code, no lock, and silence lets the
    # transfer lapse. at_once: suffixes that move with the code at once, without lock, pending or
    # added year; the code lives a month. pushed: suffixes that only the sponsor hands over.
    def initialize(db, agenda, random:, by_mail: [], at_once: [], pushed: [])
      @by_mail = by_mail
      @at_once = at_once
      @pushed = pushed
      @db = db
      @agenda = agenda
      @random = random
      @listeners = []
    end

    def listen(&block) = @listeners << block
    def domains = @db[:domains]
    def names = domains.select_order_map(:name)

    def add(row)
      domains.insert(row)
      return if row[:expires_at] < row[:updated_at] # expired and on its way out

      @agenda.add(Time.at(row[:expires_at]), "expiry", name: row[:name])
    end

    # At expiry the registry adds a year by itself and shows the auto-renew period (RFC 3915 §3.1);
    # it looks again then.
    def expire(name, at:)
      row = domains.where(name: name).first
      return unless row && row[:expires_at] == at.to_i

      expires = years_on(Time.at(row[:expires_at]).utc, 1)
      save(
        name,
        statuses: JSON.parse(row[:statuses]) | ["autoRenewPeriod"],
        expires_at: expires.to_i,
        updated_at: at.to_i
      )
      @agenda.add(expires, "expiry", name: name)
      @agenda.add(at + GRACE, "grace-over", name: name)
    end

    def end_grace(name, at:)
      row = domains.where(name: name).first or return
      save(name, statuses: JSON.parse(row[:statuses]) - ["autoRenewPeriod"], updated_at: at.to_i)
    end

    def find(name)
      row = domains.where(name: name).first or raise Refusal, 2303
      row.merge(
        statuses: JSON.parse(row[:statuses]),
        name_servers: JSON.parse(row[:name_servers]),
        ds: JSON.parse(row[:ds] || "[]")
      )
    end

    def check(names) = names.to_h { |n| [n, domains.where(name: n).empty?] }

    def silence_of(name) = by_mail?(name) ? 2 * SILENCE : SILENCE

    # Data of a domain; the code only for its sponsor or for one who already has it.
    def info(client, name, auth: nil)
      row = find(name)
      raise Refusal, 2202 if auth && auth != row[:auth_info]

      row[:sponsor] == client || auth ? row : row.merge(auth_info: nil)
    end

    # add, rem: {statuses: [], name_servers: []}.
    def update(client, name, add:, rem:, at:, auth: nil)
      row = find(name)
      raise Refusal, 2201 unless row[:sponsor] == client
      if row[:statuses].intersect?(%w[serverUpdateProhibited pendingTransfer pendingDelete])
        raise Refusal, 2304
      end
      if row[:statuses].include?("clientUpdateProhibited") &&
           !rem[:statuses].include?("clientUpdateProhibited")
        raise Refusal, 2304
      end

      ds = (rem[:ds].to_s == "all" ? [] : row[:ds] - rem[:ds].to_a) | add[:ds].to_a # RFC 5910 §5.2.5
      save(
        name,
        ds: ds.to_json,
        statuses: (row[:statuses] - rem[:statuses]) | add[:statuses],
        name_servers: (row[:name_servers] - rem[:name_servers]) | add[:name_servers],
        auth_info: auth || row[:auth_info],
        updated_at: at.to_i
      )
    end

    # Would a request be taken now? Raises the Refusal that it would meet.
    def may_request(client, name, auth, at:)
      row = find(name)
      raise Refusal, 2300 if row[:statuses].include?("pendingTransfer")
      raise Refusal, 2106 if row[:sponsor] == client
      return row if by_mail?(name)
      raise Refusal, 2306 if pushed?(name)
      return at_once(row, auth, at) if at_once?(name)
      raise Refusal, 2304 if row[:statuses].intersect?(PROHIBITED)
      raise Refusal, 2202 unless auth && auth == row[:auth_info]
      raise Refusal, 2106 if blocking(row).any? { |t| at.to_i < t + BLOCK }

      row
    end

    # Instants from which a transfer is blocked.
    def blocking(row)
      holder = @db[:contacts].where(id: row[:registrant], opted_out: false).get(:updated_at)
      [row[:created_at], row[:transferred_at], holder].compact
    end

    def request_transfer(client, name, auth, years:, at:)
      row = may_request(client, name, auth, at: at)
      years = 0 if at_once?(name)
      id =
        @db[:transfers].insert(
          name: name,
          status: "pending",
          requested_by: client,
          requested_at: at.to_i,
          acts: row[:sponsor],
          act_at: (at + silence_of(name)).to_i,
          years: years
        )
      return conclude(transfer_row(id), "serverApproved", at) if at_once?(name)

      save(name, statuses: (row[:statuses] - ["ok"]) | ["pendingTransfer"], updated_at: at.to_i)
      @agenda.add(at + silence_of(name), "silence", id: id)
      tell("pending", id, at)
      transfer_row(id)
    end

    # The latest transfer of a name, for the two sides of it.
    def query(client, name, auth: nil)
      row = @db[:transfers].where(name: name).order(:id).last
      find(name)
      raise Refusal, 2301 unless row
      raise Refusal, 2201 unless auth || [row[:requested_by], row[:acts]].include?(client)

      row
    end

    # op: approve, reject (by the losing side) or cancel (by the gaining side).
    def end_transfer(client, name, operation, at:)
      row = query(client, name)
      raise Refusal, 2301 unless row[:status] == "pending"
      raise Refusal, 2201 unless client == (operation == "cancel" ? row[:requested_by] : row[:acts])

      conclude(
        row,
        {
          "approve" => "clientApproved",
          "reject" => "clientRejected",
          "cancel" => "clientCancelled"
        }.fetch(operation),
        at
      )
    end

    # Five days have passed: silence is approval. Where the holder is asked by mail, it is none.
    def silence(id, at:)
      row = transfer_row(id)
      if row[:status] == "pending"
        conclude(row, by_mail?(row[:name]) ? "serverCancelled" : "serverApproved", at)
      end
    end

    # The holder followed the link in the registry's mail.
    def holder_approves(name, at:)
      row = pending(name) or raise Refusal, 2301
      conclude(row, "clientApproved", at)
    end

    # The pending transfer of a name, or nil.
    def pending(name) = @db[:transfers].where(name: name, status: "pending").order(:id).last

    # The newest transfer of a name, or nil.
    def newest_transfer(name) = @db[:transfers].where(name: name).order(:id).last

    def queue_for(client) = @db[:queue].where(client: client).order(:id)

    def acknowledge(client, id)
      raise Refusal, 2303 if @db[:queue].where(client: client, id: id).delete.zero?
    end

    private

    def transfer_row(id) = @db[:transfers].where(id: id).first

    def conclude(row, status, at)
      @db[:transfers].where(id: row[:id]).update(status: status, act_at: at.to_i)
      domain = find(row[:name])
      statuses = domain[:statuses] - ["pendingTransfer"]
      change = { statuses: statuses, updated_at: at.to_i }
      change.merge!(moved(row, domain, statuses, at)) if status.end_with?("Approved")
      save(row[:name], change)
      @agenda.add(Time.at(change[:expires_at]), "expiry", name: row[:name]) if change[:expires_at]
      tell(status, row[:id], at)
      transfer_row(row[:id])
    end

    # The gaining side keeps a contact object of its own for the same holder.
    def carry_contact(domain, transfer, at)
      held = @db[:contacts].where(id: domain[:registrant]).first or return {}
      id = "c-#{transfer[:id]}"
      add_contact(
        held.merge(
          id: id,
          roid: format("T%05d-PRAC", transfer[:id]),
          sponsor: transfer[:requested_by],
          created_at: at.to_i,
          updated_at: nil
        )
      )
      { registrant: id, admin: id, veil: nil }
    end

    def moved(row, domain, statuses, at)
      {
        sponsor: row[:requested_by],
        transferred_at: at.to_i,
        expires_at: expiry_after(row, domain, at).to_i,
        statuses: statuses.reject { |s| s.start_with?("client") || s == "autoRenewPeriod" },
        auth_info: new_code,
        **carry_contact(domain, row, at)
      }
    end

    # RFC 5731 §3.2.4: the transfer's years are added, at most up to ten years from now; RFC 3915
    # §3.1: a year that was added by itself less than its grace period ago is taken back with the
    # transfer.
    def expiry_after(row, domain, at)
      years = row[:years] - (domain[:statuses].include?("autoRenewPeriod") ? 1 : 0)
      [years_on(Time.at(domain[:expires_at]).utc, years), years_on(at, 10)].min
    end

    # By the calendar of Ruby's date library, which knows no more of the desk than the desk of it.
    def years_on(time, years)
      day = Date.new(time.year, time.month, time.day) >> (12 * years)
      Time.utc(day.year, day.month, day.day, time.hour, time.min, time.sec)
    end

    def new_code
      Array.new(16) { "abcdefghjkmnpqrstuvwxyz23456789".chars.sample(random: @random) }.join
    end

    def save(name, change)
      keep_before(name, change[:updated_at])
      row = change.dup
      row[:statuses] = settle(row[:statuses]).to_json if row[:statuses]
      row[:name_servers] = row[:name_servers].to_json if row[:name_servers]
      domains.where(name: name).update(row)
    end

    # “ok” stands alone or not at all (RFC 5731 §2.3).
    def settle(statuses)
      rest = statuses.uniq - ["ok"]
      rest.empty? ? ["ok"] : rest
    end

    def tell(event, id, at)
      row = transfer_row(id)
      [row[:requested_by], row[:acts]].each do |client|
        @db[:queue].insert(
          client: client,
          at: at.to_i,
          name: row[:name],
          text: "Transfer of #{row[:name]}: #{event}"
        )
      end
      @listeners.each { |l| l.call(event, row, at) }
    end
  end
end
