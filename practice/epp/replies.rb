# frozen_string_literal: true

module Practice
  module Epp
    # Builds the server's messages (RFC 5730 §2.4, §2.6; RFC 5731 §3).
    module Replies
      module_function

      def greeting(server, at)
        X.document do |x|
          x.greeting do
            x.svID server
            x.svDate X.stamp(at)
            x.svcMenu do
              x.version "1.0"
              x.lang "en"
              x.objURI X::DOMAIN
              x.objURI X::CONTACT
              x.svcExtension do
                x.extURI X::RGP
                x.extURI X::SECDNS
              end
            end
            x.dcp do
              x.access { x.all }
              x.statement do
                x.purpose { x.prov }
                x.recipient { x.ours }
                x.retention { x.stated }
              end
            end
          end
        end
      end

      # queue: {count, id, at, text, full: whether the message itself is shown} or nil; a block
      # writes the data. extension: writes what stands in <extension>, or nil.
      def response(code, key:, server_key:, message: nil, queue: nil, extension: nil, &data)
        X.document do |x|
          x.response do
            x.result(code: code) do
              x.msg message || MESSAGES.fetch(code) { Refusal::MESSAGES.fetch(code) }
            end
            queue(x, queue) if queue
            x.resData { data.call(x) } if data
            x.extension { extension.call(x) } if extension
            x.trID do
              x.clTRID key if key
              x.svTRID server_key
            end
          end
        end
      end

      MESSAGES = {
        1000 => "Command completed successfully",
        1001 => "Command completed successfully; action pending",
        1300 => "Command completed successfully; no messages",
        1301 => "Command completed successfully; ack to dequeue",
        1500 => "Command completed successfully; ending session"
      }.freeze

      def queue(builder, queue)
        builder.msgQ(count: queue[:count], id: queue[:id]) do
          next unless queue[:full]

          builder.qDate X.stamp(queue[:at])
          builder.msg queue[:text]
        end
      end

      def check(builder, available)
        builder.chkData(xmlns: X::DOMAIN) do
          available.each { |name, free| builder.cd { builder.name(name, avail: free ? 1 : 0) } }
        end
      end

      def info(builder, row)
        builder.infData(xmlns: X::DOMAIN) do
          builder.name row[:name]
          builder.roid row[:roid]
          own = row[:statuses] - GRACE
          (own.empty? ? ["ok"] : own).each { |s| builder.status(s: s) }
          builder.registrant row[:registrant] if row[:registrant]
          builder.contact(row[:admin], type: "admin") if row[:admin]
          if row[:name_servers].any?
            builder.ns { row[:name_servers].each { |h| builder.hostObj h } }
          end
          builder.clID row[:sponsor]
          {
            crDate: :created_at,
            upDate: :updated_at,
            exDate: :expires_at,
            trDate: :transferred_at
          }.each { |tag, key| builder.public_send(tag, X.stamp(Time.at(row[key]))) if row[key] }
          builder.authInfo { builder.pw row[:auth_info] } if row[:auth_info]
        end
      end

      # Statuses that RFC 3915 §3.1 gives an extension for; a domain's own list (RFC 5731 §2.3)
      # knows none of them.
      GRACE = %w[
        addPeriod
        autoRenewPeriod
        renewPeriod
        transferPeriod
        redemptionPeriod
        pendingRestore
      ].freeze

      # What <info> tells in the grace period extension; nil where nothing is to be told.
      def grace(row)
        told = row[:statuses] & GRACE
        ->(x) { x.infData(xmlns: X::RGP) { told.each { |s| x.rgpStatus(s: s) } } } if told.any?
      end

      def contact(builder, row)
        builder.infData(xmlns: X::CONTACT) do
          builder.id_ row[:id]
          builder.roid row[:roid]
          builder.status(s: "ok")
          postal(builder, row)
          builder.voice row[:voice]
          builder.email row[:email]
          builder.clID row[:sponsor]
          builder.crID row[:sponsor]
          builder.crDate X.stamp(Time.at(row[:created_at]))
          next unless row[:updated_at]

          builder.upID row[:sponsor]
          builder.upDate X.stamp(Time.at(row[:updated_at]))
        end
      end

      def postal(builder, row)
        builder.postalInfo(type: "int") do
          builder.name row[:name]
          builder.org row[:org]
          builder.addr do
            row[:street].to_s.split("\n").each { |line| builder.street line }
            builder.city row[:city]
            builder.cc row[:country]
          end
        end
      end

      # RFC 5731 §3.2.3.
      def renewal(builder, row)
        builder.renData(xmlns: X::DOMAIN) do
          builder.name row[:name]
          builder.exDate X.stamp(Time.at(row[:expires_at]))
        end
      end

      def transfer(builder, row)
        builder.trnData(xmlns: X::DOMAIN) do
          builder.name row[:name]
          builder.trStatus row[:status]
          builder.reID row[:requested_by]
          builder.reDate X.stamp(Time.at(row[:requested_at]))
          builder.acID row[:acts]
          builder.acDate X.stamp(Time.at(row[:act_at]))
        end
      end
    end
  end
end
