# frozen_string_literal: true

require "etc"
require "socket"
require "tmpdir"
require "fileutils"
require "timeout"

# Debian's Dovecot on loopback, unprivileged where the tests are, with one mailbox in a folder of
# its own.
class Dovecot
  LOGIN = "names@saltern-office.example"
  PASSWORD = "tide-table-7"

  attr_reader :port, :folder

  def initialize
    @folder = Dir.mktmpdir("dovecot")
    @port = TCPServer.open("127.0.0.1", 0) { |s| s.addr[1] }
    %w[cur new tmp].each { |d| FileUtils.mkdir_p(File.join(maildir, d)) }
    FileUtils.chmod(0o755, folder)
    FileUtils.chown_R(owner.uid, owner.gid, maildir) if Process.uid.zero?
    File.write(config, settings)
    @pid = Process.spawn("/usr/sbin/dovecot", "-F", "-c", config, out: log, err: log)
    wait
  end

  def maildir = File.join(folder, "mail")

  # Puts a raw message into the mailbox as new.
  def deliver(raw, number)
    path = File.join(maildir, "new", format("%010d.M%d.test", 1_800_000_000 + number, number))
    File.binwrite(path, raw)
    File.chown(owner.uid, owner.gid, path) if Process.uid.zero?
  end

  # Names of the message files, with their flags: what a reader must not change.
  def files = %w[new cur].flat_map { |d| Dir.children(File.join(maildir, d)) }.sort

  def stop
    Process.kill("TERM", @pid)
    Process.wait(@pid)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  ensure
    FileUtils.rm_rf(folder)
  end

  private

  # Dovecot reads no mail as root.
  def owner = Process.uid.zero? ? Etc.getpwnam("nobody") : Etc.getpwuid
  def config = File.join(folder, "dovecot.conf")
  def log = File.join(folder, "log")

  def settings
    user = Etc.getpwuid.name
    group = Etc.getgrgid(Process.gid).name
    root = Process.uid.zero?
    <<~TEXT
      base_dir = #{folder}/run
      state_dir = #{folder}/state
      log_path = #{log}
      protocols = imap
      listen = 127.0.0.1
      ssl = no
      disable_plaintext_auth = no
      default_internal_user = #{root ? "dovecot" : user}
      default_internal_group = #{root ? "dovecot" : group}
      default_login_user = #{root ? "dovenull" : user}
      first_valid_uid = 0
      first_valid_gid = 0
      mail_location = maildir:#{maildir}
      mail_uid = #{owner.uid}
      mail_gid = #{owner.gid}
      service imap-login {
        #{"chroot =" unless root}
        inet_listener imap {
          port = #{port}
        }
        inet_listener imaps {
          port = 0
        }
      }
      #{"service anvil {\n  chroot =\n}\nservice stats {\n  chroot =\n}" unless root}
      passdb {
        driver = static
        args = password=#{PASSWORD}
      }
      userdb {
        driver = static
        args = uid=#{owner.uid} gid=#{owner.gid} home=#{folder}
      }
    TEXT
  end

  def wait
    Timeout.timeout(
      20,
      RuntimeError,
      "dovecot did not start: #{File.read(log) if File.exist?(log)}"
    ) do
      TCPSocket.new("127.0.0.1", port).close
    rescue Errno::ECONNREFUSED
      raise "dovecot ended: #{File.read(log)}" if Process.wait(@pid, Process::WNOHANG)

      IO.select(nil, nil, nil, 0.05)
      retry
    end
  end
end
